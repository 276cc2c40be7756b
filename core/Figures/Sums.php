<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use KeenMargin\Core\Time\Period;

/**
 * Exact sums by measure, scenario and finest period, and how many amounts are in each where that matters.
 */
final class Sums
{
    /**
     * @var array<string, array<string, array{array<int, int|BigInteger>, non-negative-int, array<int, int>}>>
     *                                                                                                         sums by
     *                                                                                                         period
     *                                                                                                         start,
     *                                                                                                         their
     *                                                                                                         decimals,
     *                                                                                                         counts;
     *                                                                                                         by
     *                                                                                                         measure
     *                                                                                                         and
     *                                                                                                         scenario
     *                                                                                                         code
     */
    private array $cells = [];
    /** @var array<string, array<string, array<int, BigDecimal>>> those that were asked for */
    private array $made = [];
    /** @var array<string|int, self>|null what they are made of, by joined members; null: nobody asked for it */
    private ?array $parts = null;

    /**
     * The same with what they are made of.
     *
     * @param array<string|int, self> $cells by the members, as series join them
     */
    public function ofCells(array $cells): self
    {
        $sums = clone $this;
        $sums->parts = $cells;

        return $sums;
    }

    /** @return array<string|int, self>|null by the members, as series join them; null where it is not known */
    public function cells(): ?array
    {
        return $this->parts ?? ([] === $this->cells ? [] : null);
    }

    /**
     * The same of some periods only.
     *
     * @param array<string, array<int, true>> $starts that are kept, by scenario code
     */
    public function only(array $starts): self
    {
        $sums = new self();
        foreach ($this->cells as $measure => $byScenario) {
            foreach ($byScenario as $scenario => [$amounts, $decimals, $counts]) {
                $kept = array_intersect_key($amounts, $starts[$scenario] ?? []);
                if ([] !== $kept) {
                    $sums->cells[$measure][$scenario] = [$kept, $decimals, $counts];
                }
            }
        }

        return $sums;
    }

    /**
     * @param array<int, int|BigInteger> $sums by period start
     * @param non-negative-int $decimals that they are scaled by
     * @param array<int, int> $counts of amounts in each; one where none is told
     */
    public function put(string $measure, Scenario $scenario, array $sums, int $decimals, array $counts): void
    {
        $this->cells[$measure][$scenario->value] = [$sums, $decimals, $counts];
    }

    public function amount(string $measure, Scenario $scenario, Period $period): ?BigDecimal
    {
        return $this->at($measure, ScenarioPeriod::of($scenario, $period));
    }

    /**
     * The sum of several cells without its decimal point; none where none of them is there.
     *
     * @param array<string, list<int>> $starts of periods by scenario code
     */
    public function together(string $measure, array $starts): int|BigInteger|null
    {
        $sum = null;
        foreach ($starts as $scenario => $own) {
            $amounts = $this->cells[$measure][$scenario][0] ?? [];
            foreach ([] === $amounts ? [] : $own as $start) {
                $amount = $amounts[$start] ?? null;
                if (null === $amount) {
                    continue;
                }
                $next = \is_int($amount) && !($sum instanceof BigInteger) ? ($sum ?? 0) + $amount : null;
                $sum = \is_int($next) ? $next : BigInteger::of($sum ?? 0)->plus($amount);
            }
        }

        return $sum;
    }

    /**
     * The periods that a measure has amounts for in a scenario.
     *
     * @return list<int> starts, in no order
     */
    public function starts(string $measure, Scenario $scenario): array
    {
        return array_keys($this->cells[$measure][$scenario->value][0] ?? []);
    }

    /**
     * Whether any of these periods has an amount.
     *
     * @param array<string, list<int>> $starts of periods by scenario code
     */
    public function hasAny(string $measure, array $starts): bool
    {
        foreach ($starts as $scenario => $own) {
            $amounts = $this->cells[$measure][$scenario][0] ?? [];
            foreach ([] === $amounts ? [] : $own as $start) {
                if (isset($amounts[$start])) {
                    return true;
                }
            }
        }

        return false;
    }

    public function has(string $measure, ScenarioPeriod $at): bool
    {
        return isset($this->cells[$measure][$at->scenario][0][$at->start]);
    }

    /**
     * The sums of a measure in a scenario, without their decimal points.
     *
     * @return array<int, int|BigInteger> by period start
     */
    public function byStart(string $measure, string $scenario): array
    {
        return $this->cells[$measure][$scenario][0] ?? [];
    }

    /** The amount of a period of a scenario; null where there is none. */
    public function at(string $measure, ScenarioPeriod $at): ?BigDecimal
    {
        $made = $this->made[$measure][$at->scenario][$at->start] ?? null;
        if (null !== $made) {
            return $made;
        }
        [$amounts, $decimals] = $this->cells[$measure][$at->scenario] ?? [[], 0];
        if (!isset($amounts[$at->start])) {
            return null;
        }
        $amount = BigDecimal::ofUnscaledValue($amounts[$at->start], $decimals);

        return $this->made[$measure][$at->scenario][$at->start] = $amount;
    }

    /** How many amounts are in the sum of a period of a scenario; 0 where there is none. */
    public function countAt(string $measure, ScenarioPeriod $at): int
    {
        [$amounts, , $counts] = $this->cells[$measure][$at->scenario] ?? [[], 0, []];

        return isset($amounts[$at->start]) ? $counts[$at->start] ?? 1 : 0;
    }

    /**
     * The sum of several cells; null where none of them is there.
     *
     * @param array<string, list<int>> $starts of periods by scenario code
     */
    public function added(string $measure, array $starts): ?BigDecimal
    {
        $sum = $this->together($measure, $starts);

        return null === $sum ? null : BigDecimal::ofUnscaledValue($sum, $this->decimals($measure));
    }

    /** @return non-negative-int that the sums of a measure are scaled by; 0 where there are none */
    public function decimals(string $measure): int
    {
        $ofMeasure = $this->cells[$measure] ?? [];

        return [] === $ofMeasure ? 0 : $ofMeasure[array_key_first($ofMeasure)][1];
    }

    /**
     * Several of them added up.
     *
     * @param iterable<self> $all
     */
    public static function of(iterable $all): self
    {
        $sums = new self();
        foreach ($all as $one) {
            foreach ($one->parts ?? [] as $key => $cell) {
                $sums->parts[$key] = isset($sums->parts[$key]) ? self::of([$sums->parts[$key], $cell]) : $cell;
            }
            foreach ($one->cells as $measure => $byScenario) {
                foreach ($byScenario as $scenario => [$amounts, $decimals, $counts]) {
                    [$added, , $counted] = $sums->cells[$measure][$scenario] ?? [[], $decimals, []];
                    foreach ($amounts as $start => $amount) {
                        $counted[$start] = ($counted[$start] ?? 0) + ($counts[$start] ?? 1);
                        $next =
                            \is_int($amount) && \is_int($added[$start] ?? 0) ? ($added[$start] ?? 0) + $amount : null;
                        $added[$start] = \is_int($next) ? $next : BigInteger::of($added[$start] ?? 0)->plus($amount);
                    }
                    $sums->cells[$measure][$scenario] = [$added, $decimals, $counted];
                }
            }
        }

        return $sums;
    }

    /**
     * The same amounts with signs turned round.
     *
     * @param array<string, array<string, true>> $negated measures and, within them, codes of the scenarios
     */
    public function negated(array $negated): self
    {
        $sums = new self();
        foreach ($this->cells as $measure => $byScenario) {
            foreach ($byScenario as $scenario => [$amounts, $decimals, $counts]) {
                $turned = isset($negated[$measure][$scenario])
                    ? array_map(
                        static fn (int|BigInteger $amount): int|BigInteger => \is_int($amount)
                        && \PHP_INT_MIN !== $amount
                            ? -$amount
                            : BigInteger::of($amount)->negated(),
                        $amounts,
                    )
                    : $amounts;
                $sums->cells[$measure][$scenario] = [$turned, $decimals, $counts];
            }
        }

        return $sums;
    }
}
