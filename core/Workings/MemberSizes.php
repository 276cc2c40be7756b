<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\Period;

/**
 * How large each member is over some periods. Thousands of members are added up as whole numbers where the measure is a sum,
 * by the measure's own rule where it is not.
 */
final class MemberSizes
{
    /**
     * @param array<string|int, Sums> $sums    by member
     * @param list<Period>            $periods of the finest grain
     *
     * @return array<string|int, int|BigInteger|BigDecimal> of the members that have any
     */
    public static function of(array $sums, Measure $measure, Scenario $scenario, ?Scenario $forecast, Period $closing, array $periods): array
    {
        if (Grouping::Sum !== $measure->grouping || Scenario::PriorYear === $scenario) {
            return array_filter(array_map(static fn (Sums $own): ?BigDecimal => MemberTable::compared($own, $measure, $scenario, $forecast, $closing)->total($periods)->shown, $sums));
        }
        $starts = [];
        foreach ($periods as $period) {
            $shown = Scenario::Actual === $scenario && $period->isAfter($closing) ? $forecast : $scenario;
            if (null !== $shown) {
                $starts[$shown->value][] = $period->start;
            }
        }
        $sizes = array_map(static fn (Sums $own): int|BigInteger|null => $own->together($measure->name, $starts), $sums);

        return array_filter($sizes, static fn (int|BigInteger|null $size): bool => null !== $size);
    }

    /**
     * @param array<string|int, int|BigInteger|BigDecimal> $sizes
     *
     * @return array<string|int, int|BigInteger|BigDecimal> equal ones stay in their order
     */
    public static function largestFirst(array $sizes): array
    {
        uasort($sizes, static fn (int|BigInteger|BigDecimal $a, int|BigInteger|BigDecimal $b): int => \is_int($a) && \is_int($b) ? abs($b) <=> abs($a) : BigDecimal::of($b)->abs()->compareTo(BigDecimal::of($a)->abs()));

        return $sizes;
    }
}
