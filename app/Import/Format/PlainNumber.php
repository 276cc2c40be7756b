<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use Brick\Math\BigDecimal;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;

/**
 * A number as workbooks store it, written plainly. They keep binary fractions of 15 sure digits:
 * what stands behind those (`302.10000000000002`) is the machine's, not the author's.
 */
final class PlainNumber
{
    private const SURE_DIGITS = 15;
    private const LARGEST_POWER = 40;

    public static function of(string $stored): string
    {
        if (\strlen($stored) <= self::SURE_DIGITS && 1 === preg_match('/^-?\d+(?:\.\d*[1-9])?$/D', $stored)) {
            return $stored;
        }
        if (
            1 !== preg_match('/^-?\d+(?:\.\d+)?(?:[eE]([+-]?\d{1,3}))?$/D', $stored, $part)
            || abs((int) ($part[1] ?? 0)) > self::LARGEST_POWER
        ) {
            return $stored;
        }
        try {
            $number = BigDecimal::of($stored);
        } catch (MathException) {
            return $stored;
        }
        $digits = \strlen(ltrim($number->abs()->getUnscaledValue()->toString(), '0'));
        if ($digits > self::SURE_DIGITS && $number->getScale() > 0) {
            $number = $number->toScale(
                max(0, $number->getScale() - ($digits - self::SURE_DIGITS)), RoundingMode::HalfUp,
            );
        }

        return $number
            ->strippedOfTrailingZeros()
            ->toScale(max(0, $number->strippedOfTrailingZeros()->getScale()))
            ->toString();
    }

    /** A share as a percentage: `0.125` is `12.5 %`. */
    public static function percent(string $stored): string
    {
        $plain = self::of($stored);

        return 1 === preg_match('/^-?\d+(?:\.\d+)?$/D', $plain)
            ? self::of(BigDecimal::of($plain)->withPointMovedRight(2)->toString()).' %'
            : $plain;
    }
}
