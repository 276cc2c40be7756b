<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;

/** Adds and compares exact numbers that may be decimals or fractions; decimals stay decimals. */
final class Exact
{
    /** How far machine numbers may be from exact ones, as a part of them. */
    private const CLOSE = 1e-9;
    /** Of a fraction as a machine number. */
    private const DECIMALS = 20;

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
        return $a instanceof BigDecimal && $b instanceof BigDecimal
            ? $a->compareTo($b)
            : self::minus($a, $b)->getSign();
    }

    /**
     * Sorts by size, whatever the sign; equal sizes keep their order. Machine numbers tell most of them apart, which is
     * much faster for thousands; where two are too close to tell, the exact ones are compared.
     *
     * @template K of array-key
     *
     * @param array<K, BigDecimal|Fraction> $numbers
     *
     * @return array<K, BigDecimal|Fraction>
     */
    public static function largestFirst(array $numbers): array
    {
        $rough = array_map(self::rough(...), $numbers);
        uksort($numbers, static function (int|string $a, int|string $b) use ($rough, $numbers): int {
            $apart = $rough[$b] - $rough[$a];

            return abs($apart) > self::CLOSE * ($rough[$a] + $rough[$b]) && abs($apart) > self::CLOSE
                ? ($apart > 0
                    ? 1
                    : -1)
                : self::compare($numbers[$b]->abs(), $numbers[$a]->abs());
        });

        return $numbers;
    }

    private static function rough(BigDecimal|Fraction $number): float
    {
        return abs(($number instanceof Fraction ? $number->rounded(self::DECIMALS) : $number)->toFloat());
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
