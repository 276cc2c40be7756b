<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Fraction;

/** Adds and compares exact numbers that may be decimals or fractions; decimals stay decimals. */
final class ExactNumber
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
        $decimals = $fractions = [];
        foreach ($all as $one) {
            if ($one instanceof Fraction) {
                $fractions[] = $one;
            } else {
                $decimals[] = $one;
            }
        }

        return array_reduce($fractions, self::plus(...), Decimals::sum($decimals));
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
        arsort($rough);
        $places = array_flip(array_keys($numbers));
        $sorted = $run = [];
        $last = null;
        foreach ($rough as $key => $size) {
            $isApart = null !== $last && $last - $size > max(self::CLOSE, self::CLOSE * ($last + $size));
            if ($isApart) {
                $sorted += self::exactly($run, $places);
                $run = [];
            }
            $run[$key] = $numbers[$key];
            $last = $size;
        }

        return $sorted + self::exactly($run, $places);
    }

    /**
     * @template K of array-key
     *
     * @param array<K, BigDecimal|Fraction> $numbers
     * @param array<K, int> $places that equal ones keep
     *
     * @return array<K, BigDecimal|Fraction>
     */
    private static function exactly(array $numbers, array $places): array
    {
        if (\count($numbers) > 1) {
            uksort(
                $numbers,
                static fn (int|string $a, int|string $b): int => self::compare(
                    $numbers[$b]->abs(), $numbers[$a]->abs(),
                ) ?:
                $places[$a] <=> $places[$b],
            );
        }

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
