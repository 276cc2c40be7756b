<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

/** A whole number that stands for a decimal one, written as that: 30210 with two decimals is `302.10`. */
final class ScaledText
{
    public static function of(int $scaled, int $decimals): string
    {
        if ($decimals < 1) {
            return (string) $scaled;
        }
        $digits = str_pad(ltrim((string) $scaled, '-'), $decimals + 1, '0', \STR_PAD_LEFT);

        return ($scaled < 0 ? '-' : '').substr($digits, 0, -$decimals).'.'.substr($digits, -$decimals);
    }
}
