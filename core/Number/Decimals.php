<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/**
 * Exact arithmetic on amounts that the decimal class itself does not have.
 * Nothing here rounds but percent() and rate(), whose scale is stated.
 */
final class Decimals
{
    public const PERCENT_SCALE = 4;
    public const RATE_SCALE = 6;

    /** @param iterable<BigDecimal> $amounts */
    public static function sum(iterable $amounts): BigDecimal
    {
        $sum = BigDecimal::zero();
        foreach ($amounts as $amount) {
            $sum = $sum->plus($amount);
        }

        return $sum;
    }

    /**
     * The part in percent of the size of the base; none where the base is zero.
     *
     * @param non-negative-int $decimals of the answer, half away from zero
     */
    public static function percent(BigDecimal $part, BigDecimal $base, int $decimals = self::PERCENT_SCALE): ?BigDecimal
    {
        return $base->isZero() ? null : $part->multipliedBy(100)->dividedBy($base->abs(), $decimals, RoundingMode::HalfUp);
    }

    /** Numerator over denominator in percent points, none where the denominator is zero. */
    public static function rate(BigDecimal $numerator, BigDecimal $denominator): ?BigDecimal
    {
        return $denominator->isZero() ? null : $numerator->multipliedBy(100)->dividedBy($denominator, self::RATE_SCALE, RoundingMode::HalfUp);
    }

    /** @param non-negative-int $decimals */
    public static function round(BigDecimal $amount, int $decimals): BigDecimal
    {
        return $amount->toScale($decimals, RoundingMode::HalfUp);
    }
}
