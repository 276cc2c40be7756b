<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use KeenMargin\Core\Time\Period;

/**
 * Exact sums by measure, scenario and finest period, and how many amounts are in each.
 */
final class Sums
{
    /** @var array<string, array<string, array<int, array{int|BigInteger|BigDecimal, non-negative-int, int}>>> sum, its decimals, count; by measure, scenario code, period start */
    private array $cells = [];

    /** @param non-negative-int $decimals that the sum is scaled by */
    public function put(string $measure, Scenario $scenario, int $periodStart, int|BigInteger $sum, int $decimals, int $count): void
    {
        $this->cells[$measure][$scenario->value][$periodStart] = [$sum, $decimals, $count];
    }

    public function amount(string $measure, Scenario $scenario, Period $period): ?BigDecimal
    {
        $cell = $this->cells[$measure][$scenario->value][$period->start] ?? null;
        if (null === $cell || $cell[0] instanceof BigDecimal) {
            return $cell[0] ?? null;
        }

        return $this->cells[$measure][$scenario->value][$period->start][0] = BigDecimal::ofUnscaledValue($cell[0], $cell[1]);
    }

    public function count(string $measure, Scenario $scenario, Period $period): int
    {
        return $this->cells[$measure][$scenario->value][$period->start][2] ?? 0;
    }

    public function hasAny(string $measure, Scenario $scenario): bool
    {
        return [] !== ($this->cells[$measure][$scenario->value] ?? []);
    }
}
