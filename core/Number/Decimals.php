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

    /**
     * Amounts of one scale with no more digits than this are calculated as whole numbers, which is as exact and faster.
     */
    private const SHORT = 11;
    /** Percentages up to this leave room for the digits of an amount. */
    private const LARGE_SHARE = 10_000;
    /** Numerators below this leave room for the digits of a quotient. */
    private const RATABLE = 10 ** 11;

    /** @param array<BigDecimal> $amounts */
    public static function sum(array $amounts): BigDecimal
    {
        $scale = ($amounts[array_key_first($amounts) ?? 0] ?? BigDecimal::zero())->getScale();
        $whole = 0;
        foreach ($amounts as $amount) {
            $own = self::maybeShort($amount, $scale);
            if (null === $own) {
                return array_reduce(
                    $amounts,
                    static fn (BigDecimal $sum, BigDecimal $next): BigDecimal => $sum->plus($next),
                    BigDecimal::zero(),
                );
            }
            $whole += $own;
        }

        return BigDecimal::ofUnscaledValue($whole, $scale);
    }

    /**
     * The part in percent of the size of the base; none where the base is zero.
     *
     * @param non-negative-int $decimals of the answer, half away from zero
     */
    public static function percent(
        BigDecimal $part,
        BigDecimal $base,
        int $decimals = self::PERCENT_SCALE,
    ): ?BigDecimal {
        if ($base->isZero()) {
            return null;
        }
        $short = self::maybeShort($part, $base->getScale());
        $size = self::maybeShort($base->abs(), $base->getScale());
        if (null === $short || null === $size || $decimals > self::PERCENT_SCALE) {
            return $part->multipliedBy(100)->dividedBy($base->abs(), $decimals, RoundingMode::HalfUp);
        }
        $rounded = intdiv(2 * abs($short) * 100 * 10 ** $decimals + $size, 2 * $size);

        return BigDecimal::ofUnscaledValue($short < 0 ? -$rounded : $rounded, $decimals);
    }

    /** @param array<?BigDecimal> $amounts */
    public static function largestSize(array $amounts): BigDecimal
    {
        $largest = null;
        $size = -1;
        foreach ($amounts as $amount) {
            if (null === $amount) {
                continue;
            }
            $short = self::maybeShort($amount, ($largest ?? $amount)->getScale());
            if (null === $short) {
                return array_reduce(
                    $amounts,
                    static fn (BigDecimal $most, ?BigDecimal $next): BigDecimal => null !== $next
                    && $next->abs()->isGreaterThan($most)
                        ? $next->abs()
                        : $most,
                    BigDecimal::zero(),
                );
            }
            if (abs($short) > $size) {
                $largest = $amount;
                $size = abs($short);
            }
        }

        return $largest?->abs() ?? BigDecimal::zero();
    }

    /**
     * Keys of amounts, the largest size first, equal ones in their order.
     *
     * @template K of int|string
     *
     * @param array<K, BigDecimal> $amounts
     *
     * @return list<K>
     */
    public static function largestFirst(array $amounts): array
    {
        return self::inOrder(array_map(static fn (BigDecimal $amount): BigDecimal => $amount->abs(), $amounts), true);
    }

    /**
     * Keys of amounts by their size, equal ones in their order.
     *
     * @template K of int|string
     *
     * @param array<K, BigDecimal> $amounts
     *
     * @return list<K>
     */
    public static function inOrder(array $amounts, bool $isLargestFirst): array
    {
        $scale = ($amounts[array_key_first($amounts) ?? 0] ?? BigDecimal::zero())->getScale();
        $shorts = [];
        foreach ($amounts as $key => $amount) {
            $short = self::maybeShort($amount, $scale);
            if (null === $short) {
                uasort(
                    $amounts,
                    static fn (BigDecimal $a, BigDecimal $b): int => $isLargestFirst
                        ? $b->compareTo($a)
                        : $a->compareTo($b),
                );

                return array_keys($amounts);
            }
            $shorts[$key] = $short;
        }
        $isLargestFirst ? arsort($shorts) : asort($shorts);

        return array_keys($shorts);
    }

    /** @return int -1, 0 or 1 */
    public static function compare(BigDecimal $a, BigDecimal $b): int
    {
        $shorts = [self::maybeShort($a, $a->getScale()), self::maybeShort($b, $a->getScale())];

        return null === $shorts[0] || null === $shorts[1] ? $a->compareTo($b) : $shorts[0] <=> $shorts[1];
    }

    /** Whether a size is at least so many percent of another one, told without dividing. */
    public static function isShare(BigDecimal $size, BigDecimal $of, BigDecimal $percent): bool
    {
        $short = self::maybeShort($size, $of->getScale());
        $ofShort = self::maybeShort($of, $of->getScale());
        $share = self::maybeShort($percent, 0);
        if (null === $short || null === $ofShort || null === $share || $share > self::LARGE_SHARE) {
            return $size->multipliedBy(100)->isGreaterThanOrEqualTo($of->multipliedBy($percent));
        }

        return 100 * $short >= $share * $ofShort;
    }

    private static function maybeShort(BigDecimal $amount, int $scale): ?int
    {
        if ($amount->getScale() !== $scale) {
            return null;
        }
        $digits = $amount->getUnscaledValue()->toString();

        return \strlen($digits) <= self::SHORT ? (int) $digits : null;
    }

    /** Numerator over denominator in percent points, none where the denominator is zero. */
    public static function rate(BigDecimal $numerator, BigDecimal $denominator): ?BigDecimal
    {
        return $denominator->isZero()
            ? null
            : self::quotient($numerator->multipliedBy(100), $denominator, self::RATE_SCALE);
    }

    /**
     * @param BigDecimal $denominator not zero
     * @param non-negative-int $decimals half away from zero
     */
    public static function quotient(BigDecimal $numerator, BigDecimal $denominator, int $decimals): BigDecimal
    {
        $scale = max($numerator->getScale(), $denominator->getScale());
        $short = self::maybeShort($numerator->toScale($scale), $scale);
        $of = self::maybeShort($denominator->toScale($scale), $scale);
        if (null === $short || null === $of || abs($short) >= self::RATABLE || $decimals > self::RATE_SCALE) {
            return $numerator->dividedBy($denominator, $decimals, RoundingMode::HalfUp);
        }
        $rounded = intdiv(2 * abs($short) * 10 ** $decimals + abs($of), 2 * abs($of));

        return BigDecimal::ofUnscaledValue($short < 0 !== $of < 0 ? -$rounded : $rounded, $decimals);
    }

    /**
     * The digits of an amount in a power of ten, rounded half away from zero: 1,250 in thousands with one decimal is
     * `13`.
     *
     * @param non-negative-int $exponent of the power of ten
     * @param non-negative-int $decimals
     *
     * @return numeric-string without the decimal sign
     */
    public static function rounded(BigDecimal $amount, int $exponent, int $decimals): string
    {
        $shift = $amount->getScale() + $exponent - $decimals;
        $digits = $amount->getUnscaledValue()->toString();
        if (\strlen($digits) > self::SHORT || abs($shift) > 6) {
            return $amount
                ->withPointMovedLeft($exponent)
                ->toScale($decimals, RoundingMode::HalfUp)
                ->getUnscaledValue()
                ->toString();
        }
        $whole = (int) $digits;
        if ($shift <= 0) {
            return (string) ($whole * 10 ** -$shift);
        }
        $step = 10 ** $shift;
        $rounded = intdiv(2 * abs($whole) + $step, 2 * $step);

        return (string) ($whole < 0 ? -$rounded : $rounded);
    }

    /** @param non-negative-int $decimals */
    public static function round(BigDecimal $amount, int $decimals): BigDecimal
    {
        $scale = $amount->getScale();
        $short = $scale > $decimals ? self::maybeShort($amount, $scale) : null;
        if (null === $short || $scale - $decimals > self::SHORT) {
            return $amount->toScale($decimals, RoundingMode::HalfUp);
        }
        $step = 10 ** ($scale - $decimals);
        $rounded = intdiv(2 * abs($short) + $step, 2 * $step);

        return BigDecimal::ofUnscaledValue($short < 0 ? -$rounded : $rounded, $decimals);
    }
}
