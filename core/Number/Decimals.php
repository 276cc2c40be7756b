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

    /** Amounts of one scale with no more digits than this are calculated as whole numbers, which is as exact and faster. */
    private const SHORT = 11;

    /** @param array<BigDecimal> $amounts */
    public static function sum(array $amounts): BigDecimal
    {
        $scale = ($amounts[array_key_first($amounts) ?? 0] ?? BigDecimal::zero())->getScale();
        $whole = 0;
        foreach ($amounts as $amount) {
            $own = self::maybeShort($amount, $scale);
            if (null === $own) {
                return array_reduce($amounts, static fn (BigDecimal $sum, BigDecimal $next): BigDecimal => $sum->plus($next), BigDecimal::zero());
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
    public static function percent(BigDecimal $part, BigDecimal $base, int $decimals = self::PERCENT_SCALE): ?BigDecimal
    {
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

    public static function larger(BigDecimal $one, BigDecimal $other): BigDecimal
    {
        $short = self::maybeShort($one, $other->getScale());
        $otherShort = null === $short ? null : self::maybeShort($other, $other->getScale());
        $isLarger = null === $otherShort ? $other->isGreaterThan($one) : $otherShort > $short;

        return $isLarger ? $other : $one;
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
        return $denominator->isZero() ? null : $numerator->multipliedBy(100)->dividedBy($denominator, self::RATE_SCALE, RoundingMode::HalfUp);
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
