<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Question\Waterfall\StepRole;

/**
 * A plain list of names and amounts that says itself which rows are start, subtotal and end: by words, by being the sum
 * of the rows before them, or as the reader told.
 */
final readonly class GivenList
{
    private const START = '/^(?:start|opening|beginning|initial|brought forward|anfangs?(?:bestand)?|ouverture)\b/iu';
    private const END = '/^(?:end(?:ing|e|bestand)?|closing|final|carried forward|schlussbestand|clôture)\b/iu';
    private const YEAR = '/^(?:fy ?)?(?:19|20)\d\d$/iu';
    private const SUBTOTAL = '/^(?:sub-?\s?total|zwischensumme|sous-total)\b/iu';

    /** @param array<string|int, StepRole> $roles of the rows that are no steps */
    private function __construct(public Breakdown $breakdown, public array $roles) {}

    /**
     * Null where the figures are no plain list, or none of its rows is anything but a step.
     *
     * @param array<string|int, StepRole> $told by the reader, by name
     */
    public static function maybe(Dataset $dataset, array $told = []): ?self
    {
        if (!$dataset->isTimeless() || 1 !== \count($dataset->breakdowns)) {
            return null;
        }
        $breakdown = $dataset->breakdowns[0];
        if (\in_array(LineRole::TakesAway, $breakdown->roles, true)) {
            return null;
        }
        $found = self::ends($breakdown->members);
        $last = \count($breakdown->members) - 1;
        $roles = [];
        foreach ($breakdown->members as $place => $member) {
            $isSum = LineRole::Subtotal === ($breakdown->roles[$member] ?? null);
            $role = $told[$member] ?? ($found[$member] ?? self::byWord($member, $place, $last, $isSum));
            StepRole::Step === $role || ($roles[$member] = $role);
        }

        return [] === $roles || $last < 1 ? null : new self($breakdown, $roles);
    }

    /**
     * A list that leads from one scenario or year to another says so by its first and last row.
     *
     * @param list<string> $members
     *
     * @return array<string|int, StepRole>
     */
    private static function ends(array $members): array
    {
        $isScenario = static fn (string $member): bool => null !== ScenarioWords::maybeWithin($member);
        $isYear = static fn (string $member): bool => 1 === preg_match(self::YEAR, trim($member));
        foreach ([$isScenario, $isYear] as $isNamed) {
            $named = array_filter($members, $isNamed);
            if ([0, \count($members) - 1] === array_keys($named) && \count($members) > 2) {
                return [$members[0] => StepRole::Start, $members[\count($members) - 1] => StepRole::End];
            }
        }

        return [];
    }

    /** @return list<string> rows that are sums of others */
    public function sums(): array
    {
        $sums = array_filter(
            $this->roles,
            static fn (StepRole $role): bool => StepRole::Subtotal === $role || StepRole::End === $role,
        );

        return array_map(strval(...), array_keys($sums));
    }

    /** @return list<string> rows as they stand; a total that is written above them comes last */
    public function inOrder(): array
    {
        $isEnd = fn (string $member): bool => StepRole::End === $this->role($member);
        $members = $this->breakdown->members;

        return [
            ...array_filter($members, static fn (string $member): bool => !$isEnd($member)),
            ...array_filter($members, $isEnd),
        ];
    }

    public function role(string $member): StepRole
    {
        return $this->roles[$member] ?? StepRole::Step;
    }

    /** @param bool $isSum whether its amount is that of the rows before it */
    private static function byWord(string $member, int $place, int $last, bool $isSum): StepRole
    {
        $isEnd = $isSum || 1 === preg_match(self::END, $member) || TotalWords::isTotal($member);

        return match (true) {
            0 === $place && 1 === preg_match(self::START, $member) => StepRole::Start,
            $isEnd && ($place === $last || 0 === $place) => StepRole::End,
            $isSum, 1 === preg_match(self::SUBTOTAL, $member), TotalWords::isTotal($member) => StepRole::Subtotal,
            default => StepRole::Step,
        };
    }
}
