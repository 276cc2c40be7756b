<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;

/**
 * How large each member is over some periods. Thousands of members are added up as whole numbers where the measure is a
 * sum, by the measure's own rules where it is not.
 */
final class MemberSizes
{
    /**
     * @param array<string|int, Sums> $sums by member
     *
     * @return array<string|int, int|BigInteger|BigDecimal> of the members that have any
     */
    public static function of(array $sums, Measure $measure, Comparison $comparison, FinePeriods $fine): array
    {
        if ($measure->isAddedOverMembers() && Grouping::Sum === $measure->grouping) {
            $starts = $comparison->plan($fine)->shown()->starts;
            $sizes = array_map(
                static fn (Sums $own): int|BigInteger|null => $own->together($measure->name, $starts),
                $sums,
            );
        } else {
            $sizes = array_map(static fn (Sums $own): ?BigDecimal => $comparison->shown($fine, $own), $sums);
        }

        return array_filter($sizes, static fn (int|BigInteger|BigDecimal|null $size): bool => null !== $size);
    }

    /**
     * @param array<string|int, int|BigInteger|BigDecimal> $sizes
     *
     * @return array<string|int, int|BigInteger|BigDecimal> equal ones stay in their order
     */
    public static function largestFirst(array $sizes): array
    {
        uasort(
            $sizes,
            static fn (int|BigInteger|BigDecimal $a, int|BigInteger|BigDecimal $b): int => \is_int($a) && \is_int($b)
                ? abs($b) <=> abs($a)
                : BigDecimal::of($b)
                    ->abs()
                    ->compareTo(BigDecimal::of($a)->abs()),
        );

        return $sizes;
    }
}
