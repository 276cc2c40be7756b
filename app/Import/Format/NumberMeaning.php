<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Time\CivilDate;

/** What a stored number stands for, by the format of its cell. */
enum NumberMeaning
{
    case Amount;
    case Percent;
    /** `31.01.2026` */
    case Day;
    /** `Jan 26`: a date of which only the month is shown. */
    case Month;

    private const DAYS_TO_1970 = 25_569;
    private const DAYS_1900_TO_1904 = 1462;

    public static function of(string $code): self
    {
        $plain = strtolower((string) preg_replace('/"[^"]*"|\\\\.|_.|\*.|\[[^\]]*\]/', '', explode(';', $code)[0]));

        return match (true) {
            str_contains($plain, '%') => self::Percent,
            str_contains($plain, 'general') => self::Amount,
            str_contains($plain, 'd') => self::Day,
            str_contains($plain, 'y') => self::Month,
            1 === preg_match('/^m+$/', $plain) => self::Month,
            default => self::Amount,
        };
    }

    public function text(string $stored, bool $from1904): string
    {
        if (self::Amount === $this) {
            return PlainNumber::of($stored);
        }
        if (self::Percent === $this) {
            return PlainNumber::percent($stored);
        }
        $day = (int) $stored + ($from1904 ? self::DAYS_1900_TO_1904 : 0);
        if (1 !== preg_match('/^\d{1,7}(?:\.\d+)?$/D', $stored) || $day < 61 || $day > 109_939) {
            return PlainNumber::of($stored);
        }
        [$year, $month, $of] = CivilDate::parts($day - self::DAYS_TO_1970);

        return self::Day === $this ? \sprintf('%d-%02d-%02d', $year, $month, $of) : \sprintf('%d-%02d', $year, $month);
    }
}
