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
    /** @var array<string, array<string, array{array<int, int|BigInteger>, non-negative-int, array<int, int>}>> sums by period start, their decimals, counts; by measure and scenario code */
    private array $cells = [];
    /** @var array<string, array<string, array<int, BigDecimal>>> those that were asked for */
    private array $made = [];

    /**
     * @param array<int, int|BigInteger> $sums     by period start
     * @param non-negative-int           $decimals that they are scaled by
     * @param array<int, int>            $counts   of amounts in each; one where none is told
     */
    public function put(string $measure, Scenario $scenario, array $sums, int $decimals, array $counts): void
    {
        $this->cells[$measure][$scenario->value] = [$sums, $decimals, $counts];
    }

    public function amount(string $measure, Scenario $scenario, Period $period): ?BigDecimal
    {
        $made = $this->made[$measure][$scenario->value][$period->start] ?? null;
        if (null !== $made) {
            return $made;
        }
        $of = $this->cells[$measure][$scenario->value] ?? null;
        if (null === $of || !isset($of[0][$period->start])) {
            return null;
        }

        return $this->made[$measure][$scenario->value][$period->start] = BigDecimal::ofUnscaledValue($of[0][$period->start], $of[1]);
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
                $next = \is_int($amount) && !$sum instanceof BigInteger ? ($sum ?? 0) + $amount : null;
                $sum = \is_int($next) ? $next : BigInteger::of($sum ?? 0)->plus($amount);
            }
        }

        return $sum;
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
            foreach ($one->cells as $measure => $byScenario) {
                foreach ($byScenario as $scenario => [$amounts, $decimals, $counts]) {
                    [$added, , $counted] = $sums->cells[$measure][$scenario] ?? [[], $decimals, []];
                    foreach ($amounts as $start => $amount) {
                        $counted[$start] = ($counted[$start] ?? 0) + ($counts[$start] ?? 1);
                        $next = \is_int($amount) && \is_int($added[$start] ?? 0) ? ($added[$start] ?? 0) + $amount : null;
                        $added[$start] = \is_int($next) ? $next : BigInteger::of($added[$start] ?? 0)->plus($amount);
                    }
                    $sums->cells[$measure][$scenario] = [$added, $decimals, $counted];
                }
            }
        }

        return $sums;
    }

    public function count(string $measure, Scenario $scenario, Period $period): int
    {
        $of = $this->cells[$measure][$scenario->value] ?? null;

        return null !== $of && isset($of[0][$period->start]) ? $of[2][$period->start] ?? 1 : 0;
    }

    public function hasAny(string $measure, Scenario $scenario): bool
    {
        return [] !== ($this->cells[$measure][$scenario->value][0] ?? []);
    }
}
