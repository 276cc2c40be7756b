<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/**
 * Which lines of a statement have to be turned round, so that all of them add up to the result. Costs come as positive
 * or as negative numbers: a line that takes away is turned round where its figures are, all together, above zero, for
 * each measure and scenario by itself. Lines that add stay as they are; subtotals take no part.
 */
final readonly class LineSigns
{
    /**
     * @param array<string|int, array<string, array<string, true>>> $negated measures and scenario codes, by line
     * @param list<string> $mixed lines that take away, whose figures have both signs
     * @param list<string> $subtotals lines that are sums of others
     */
    private function __construct(public array $negated, public array $mixed, public array $subtotals) {}

    /**
     * @param array<string|int, Sums> $sums of the whole dataset, by line
     * @param list<string> $measures
     */
    public static function of(Breakdown $lines, array $sums, array $measures): self
    {
        $negated = $mixed = $subtotals = [];
        foreach ($lines->members as $line) {
            $role = $lines->rolesOf([$line])[0] ?? null;
            if (LineRole::Subtotal === $role) {
                $subtotals[] = $line;
            }
            if (LineRole::TakesAway !== $role || !isset($sums[$line])) {
                continue;
            }
            foreach ($measures as $measure) {
                foreach (Scenario::cases() as $scenario) {
                    [$above, $below] = self::sides($sums[$line], $measure, $scenario);
                    if ($above >= $below && $above > 0) {
                        $negated[$line][$measure][$scenario->value] = true;
                    }
                    if ($above > 0 && $below > 0 && !\in_array($line, $mixed, true)) {
                        $mixed[] = $line;
                    }
                }
            }
        }

        return new self($negated, $mixed, $subtotals);
    }

    /**
     * How much of a line's figures is above zero and how much below it. Approximate, as only the larger one matters.
     *
     * @return array{float, float}
     */
    private static function sides(Sums $sums, string $measure, Scenario $scenario): array
    {
        $above = $below = 0.0;
        foreach ($sums->starts($measure, $scenario) as $start) {
            $amount = (float) (string) $sums->together($measure, [$scenario->value => [$start]]);
            $above += max(0.0, $amount);
            $below += max(0.0, -$amount);
        }

        return [$above, $below];
    }
}
