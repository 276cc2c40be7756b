<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/**
 * Which periods of the year before count as the prior year of a period, so that months, quarters and years hold the
 * whole of the year before:
 *
 * - a day has the day of the same date; 28 February also has 29 February, and 29 February none;
 * - a week has the week of the same number, and week 53 none;
 * - a longer period has the same one of the year before.
 */
final class PriorYear
{
    /** @return list<Period> in calendar order; empty where the period has no counterpart */
    public static function of(Period $period): array
    {
        if (Grain::Timeless === $period->grain || $period->yearNumber() <= Period::FIRST_YEAR) {
            return [];
        }

        return match ($period->grain) {
            Grain::Day => self::ofDay($period),
            Grain::Week => self::ofWeek($period),
            default => [$period->yearEarlier()],
        };
    }

    /** @return list<Period> */
    private static function ofDay(Period $day): array
    {
        [$year, $month, $number] = CivilDate::parts($day->start);
        if (2 !== $month || $number < 28) {
            return [$day->yearEarlier()];
        }
        if (29 === $number) {
            return [];
        }
        $earlier = $day->yearEarlier();

        return CivilDate::exists($year - 1, 2, 29) ? [$earlier, $earlier->moved(1)] : [$earlier];
    }

    /** @return list<Period> */
    private static function ofWeek(Period $week): array
    {
        $earlier = $week->yearEarlier();

        return $earlier->numberInYear() === $week->numberInYear() ? [$earlier] : [];
    }
}
