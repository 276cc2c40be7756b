<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/** How periods are called on the screen and in charts. */
final class PeriodNames
{
    private const LONG_MONTHS = [
        'January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November',
        'December',
    ];
    private const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

    /** `Aug 2026`, `Q3 2026`, `H2 2026`, `2026`, `FY2026`, `31 Aug 2026`, `W35 2026` */
    public static function full(Period $period): string
    {
        return \in_array($period->grain, [Grain::Year, Grain::Timeless], true)
            ? $period->key()
            : self::withinYear($period).' '.self::year($period);
    }

    /** `Aug`, `Q3`, `31 Aug`: enough where the year is told otherwise */
    public static function withinYear(Period $period): string
    {
        return match ($period->grain) {
            Grain::Day => self::dayName($period),
            Grain::Week => 'W'.$period->numberInYear(),
            Grain::Month => self::MONTHS[$period->start % 12],
            Grain::Quarter => 'Q'.$period->numberInYear(),
            Grain::HalfYear => 'H'.$period->numberInYear(),
            Grain::Year, Grain::Timeless => $period->key(),
        };
    }

    /** `August`, `Q3`, `31 Aug`: as it is read within a sentence */
    public static function spelledOut(Period $period): string
    {
        return Grain::Month === $period->grain ? self::LONG_MONTHS[$period->start % 12] : self::withinYear($period);
    }

    /** `A`, `3`, `31`: the shortest form that can still be read in a row of its like */
    public static function shortest(Period $period): string
    {
        return match ($period->grain) {
            Grain::Day => (string) CivilDate::parts($period->start)[2],
            Grain::Week, Grain::Quarter, Grain::HalfYear => (string) $period->numberInYear(),
            Grain::Month => self::MONTHS[$period->start % 12][0],
            Grain::Timeless => '',
            Grain::Year => substr((string) $period->yearNumber(), 2),
        };
    }

    public static function year(Period $period): string
    {
        return (1 === $period->firstMonth ? '' : 'FY').$period->yearNumber();
    }

    /** `Jan–Dec 2026`, `Nov 2025–Feb 2026`, `2025–2026`, `Aug 2026`; days that are whole months as these months */
    public static function range(Period $from, Period $to): string
    {
        [$from, $to] = self::asMonths($from, $to);
        if ($from->key() === $to->key()) {
            return self::full($from);
        }
        $sameYear = Grain::Year !== $from->grain && self::year($from) === self::year($to);
        $first = match (true) {
            self::areOfOneMonth($from, $to) => self::shortest($from),
            $sameYear => self::withinYear($from),
            default => self::full($from),
        };

        return $first.'–'.self::full($to);
    }

    /** `Jan–Aug`, `27–29 Feb`, `Aug`: where the year is told otherwise */
    public static function rangeWithinYear(Period $from, Period $to): string
    {
        [$from, $to] = self::asMonths($from, $to);
        if ($from->key() === $to->key()) {
            return self::withinYear($from);
        }

        $first = self::areOfOneMonth($from, $to) ? self::shortest($from) : self::withinYear($from);

        return $first.'–'.self::withinYear($to);
    }

    private static function areOfOneMonth(Period $from, Period $to): bool
    {
        return Grain::Day === $from->grain && substr($from->key(), 0, 7) === substr($to->key(), 0, 7);
    }

    /** @return array{Period, Period} the months that days from the first to the last are, if they are whole ones */
    private static function asMonths(Period $from, Period $to): array
    {
        $isFirst = Grain::Day === $from->grain && 1 === CivilDate::parts($from->start)[2];
        $isLast = Grain::Day === $to->grain && 1 === CivilDate::parts($to->start + 1)[2];

        return $isFirst && $isLast
            ? [$from->group(Grain::Month, $from->calendar()), $to->group(Grain::Month, $to->calendar())]
            : [$from, $to];
    }

    private static function dayName(Period $period): string
    {
        [, $month, $day] = CivilDate::parts($period->start);

        return $day.' '.self::MONTHS[$month - 1];
    }
}
