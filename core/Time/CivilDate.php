<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/**
 * Days of the Gregorian calendar counted from 1 January 1970, without time zones.
 *
 * @see https://howardhinnant.github.io/date_algorithms.html days_from_civil and civil_from_days
 */
final class CivilDate
{
    public const FIRST_YEAR = 1900;
    public const LAST_YEAR = 2199;

    public static function exists(int $year, int $month, int $day): bool
    {
        return $year >= self::FIRST_YEAR && $year <= self::LAST_YEAR && checkdate($month, $day, $year);
    }

    public static function number(int $year, int $month, int $day): int
    {
        $year -= $month <= 2 ? 1 : 0;
        $era = intdiv($year, 400);
        $yearOfEra = $year - $era * 400;
        $dayOfYear = intdiv(153 * ($month + ($month > 2 ? -3 : 9)) + 2, 5) + $day - 1;

        return $era * 146097 + $yearOfEra * 365 + intdiv($yearOfEra, 4) - intdiv($yearOfEra, 100) + $dayOfYear - 719468;
    }

    /** @return array{int, int, int} year, month, day */
    public static function parts(int $number): array
    {
        $number += 719468;
        $era = intdiv($number, 146097);
        $dayOfEra = $number - $era * 146097;
        $yearOfEra = intdiv(
            $dayOfEra - intdiv($dayOfEra, 1460) + intdiv($dayOfEra, 36524) - intdiv($dayOfEra, 146096), 365,
        );
        $dayOfYear = $dayOfEra - (365 * $yearOfEra + intdiv($yearOfEra, 4) - intdiv($yearOfEra, 100));
        $shifted = intdiv(5 * $dayOfYear + 2, 153);
        $month = $shifted + ($shifted < 10 ? 3 : -9);

        return [
            $yearOfEra + $era * 400 + ($month <= 2 ? 1 : 0),
            $month,
            $dayOfYear - intdiv(153 * $shifted + 2, 5) + 1,
        ];
    }
}
