<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/** Spreads one amount over several places, so that they add up to it to the last digit. */
final class Spread
{
    /**
     * Parts as large as one another, but for the last digit.
     *
     * @param positive-int $count
     * @param non-negative-int $decimals of the parts; more where the amount itself has more
     *
     * @return list<BigDecimal>
     */
    public static function evenly(BigDecimal $amount, int $count, int $decimals): array
    {
        return self::by($amount, array_fill(0, $count, BigDecimal::one()), $decimals);
    }

    /**
     * Parts in proportion to weights. Each cumulative sum is rounded, so that no part is off by more than the last
     * digit.
     *
     * @param list<?BigDecimal> $weights a missing one gets nothing; their sum is not zero
     * @param non-negative-int $decimals
     *
     * @return list<BigDecimal>
     */
    public static function by(BigDecimal $amount, array $weights, int $decimals): array
    {
        $scale = max($decimals, $amount->getScale());
        $all = Decimals::sum(
            array_map(static fn (?BigDecimal $weight): BigDecimal => $weight ?? BigDecimal::zero(), $weights),
        );
        $parts = [];
        $weight = BigDecimal::zero();
        $given = BigDecimal::zero();
        foreach ($weights as $own) {
            $weight = $weight->plus($own ?? 0);
            $until = $amount->multipliedBy($weight)->dividedBy($all, $scale, RoundingMode::HalfUp);
            $parts[] = $until->minus($given);
            $given = $until;
        }

        return $parts;
    }
}
