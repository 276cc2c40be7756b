<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Typed;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Question\Part\Flag;

/** Reads a flag as people type it: `5 % and 20k`, `20,000`, `0.5 pp`, `nothing`. */
final class TypedFlag
{
    private const ZEROS = ['' => 0, 'k' => 3, 'thousand' => 3, 'm' => 6, 'million' => 6, 'bn' => 9, 'billion' => 9];

    /**
     * @param bool $inPoints whether amounts are percentages, so that plain numbers are points
     * @param string $unit of the measure: behind a number it is no power of ten, `500 m` are metres where amounts are
     */
    public static function maybe(string $text, bool $inPoints, string $unit = ''): ?Flag
    {
        $text = rtrim(trim(mb_strtolower($text)), '. ');
        if ('' !== $unit) {
            $text = (string) preg_replace(
                '/(?<=\d|\s)\s*'.preg_quote(mb_strtolower($unit), '/').'(?=\s*(?:and\b|&|;|\+|$))/u', '', $text,
            );
        }
        $text = (string) preg_replace('/^(gaps |variances )?(over|above|from|of) /', '', $text);
        if (\in_array($text, ['nothing', 'none', 'no gaps', 'no'], true)) {
            return new Flag();
        }
        $percent = $amount = null;
        foreach (preg_split('/\s*(?:\band\b|&|;|\+)\s*/', $text) ?: [] as $part) {
            if (
                1 !==
                    preg_match(
                        '/^([\d,]*(?:\.\d+)?)\s*(%|percent|per cent|pp|points|k|m|bn|thousand|million|billion)?(?: '
                            .'[a-z]{3})?$/',
                        trim($part),
                        $match,
                    )
                || '' === $match[1]
                || '.' === $match[1]
            ) {
                return null;
            }
            $digits = str_replace(',', '', $match[1]);
            $sign = $match[2] ?? '';
            if (\strlen($digits) > 18) {
                return null;
            }
            if (isset(self::ZEROS[$sign]) && !$inPoints) {
                $amount = BigDecimal::of(ltrim($digits, '0') ?: '0')
                    ->withPointMovedRight(self::ZEROS[$sign])
                    ->strippedOfTrailingZeros();
            } elseif ('' === $sign || !isset(self::ZEROS[$sign])) {
                $percent = BigDecimal::of('.' === $digits[0] ? "0$digits" : $digits);
            } else {
                return null;
            }
        }

        return new Flag($percent, $amount);
    }
}
