<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;

/** Adds and compares exact numbers that may be decimals or fractions; decimals stay decimals. */
final class Exact
{
    public static function plus(BigDecimal|Fraction $a, BigDecimal|Fraction $b): BigDecimal|Fraction
    {
        return $a instanceof BigDecimal && $b instanceof BigDecimal ? $a->plus($b) : Fraction::from($a)->plus($b);
    }

    public static function minus(BigDecimal|Fraction $a, BigDecimal|Fraction $b): BigDecimal|Fraction
    {
        return $a instanceof BigDecimal && $b instanceof BigDecimal ? $a->minus($b) : Fraction::from($a)->minus($b);
    }

    /** @param iterable<BigDecimal|Fraction> $all */
    public static function sum(iterable $all): BigDecimal|Fraction
    {
        $sum = BigDecimal::zero();
        foreach ($all as $one) {
            $sum = self::plus($sum, $one);
        }

        return $sum;
    }

    public static function isEqual(BigDecimal|Fraction $a, BigDecimal|Fraction $b): bool
    {
        return 0 === self::minus($a, $b)->getSign();
    }

    /** @return int -1, 0 or 1 */
    public static function compare(BigDecimal|Fraction $a, BigDecimal|Fraction $b): int
    {
        return self::minus($a, $b)->getSign();
    }

    /** A part in percent of a whole, of either sign; null where the whole is zero. */
    public static function percentOf(BigDecimal|Fraction $part, BigDecimal|Fraction $whole): ?Fraction
    {
        if (0 === $whole->getSign()) {
            return null;
        }
        [$part, $whole] = [Fraction::from($part), Fraction::from($whole)];

        return Fraction::of(
            $part->numerator->multipliedBy($whole->denominator)->multipliedBy(100),
            $part->denominator->multipliedBy($whole->numerator),
        );
    }
}
