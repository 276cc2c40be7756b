<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Time\Period;

/**
 * Exact sums by measure, scenario and finest period, and how many amounts are in each.
 */
final class Sums
{
    /** @var array<string, array<string, array<int, array{BigDecimal, int}>>> measure, scenario code, period start */
    private array $cells = [];

    public function add(string $measure, Scenario $scenario, int $periodStart, BigDecimal $amount, int $count = 1): void
    {
        [$sum, $already] = $this->cells[$measure][$scenario->value][$periodStart] ?? [BigDecimal::zero(), 0];
        $this->cells[$measure][$scenario->value][$periodStart] = [$sum->plus($amount), $already + $count];
    }

    public function amount(string $measure, Scenario $scenario, Period $period): ?BigDecimal
    {
        return $this->cells[$measure][$scenario->value][$period->start][0] ?? null;
    }

    public function count(string $measure, Scenario $scenario, Period $period): int
    {
        return $this->cells[$measure][$scenario->value][$period->start][1] ?? 0;
    }

    public function hasAny(string $measure, Scenario $scenario): bool
    {
        return [] !== ($this->cells[$measure][$scenario->value] ?? []);
    }
}
