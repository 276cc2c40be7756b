<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/**
 * Names several periods by their unbroken runs: `Jan–Mar`, `May`. Days that are all of a month there are, are named as
 * the month.
 */
final class PeriodRuns
{
    /**
     * @param list<Period> $periods in calendar order, of one grain
     * @param list<Period> $among all periods that they are part of
     *
     * @return list<string> `Sep–Dec`; with years `Nov 2025–Feb 2026`
     */
    public static function named(array $periods, array $among, bool $namesYears): array
    {
        $name = $namesYears ? PeriodNames::range(...) : PeriodNames::rangeWithinYear(...);

        return array_map(static fn (array $run): string => $name($run[0], $run[1]), self::runs($periods, $among));
    }

    /**
     * @param list<Period> $periods of one year
     * @param list<Period> $among
     *
     * @return list<string> `May`, `June`, `September–December`
     */
    public static function spelledOut(array $periods, array $among): array
    {
        $names = [];
        foreach (self::runs($periods, $among) as [$from, $to]) {
            [$first, $last] = [PeriodNames::spelledOut($from), PeriodNames::spelledOut($to)];
            match (true) {
                $from->start === $to->start => ($names[] = $first),
                $from->moved(1)->start === $to->start => array_push($names, $first, $last),
                default => ($names[] = "{$first}–{$last}"),
            };
        }

        return $names;
    }

    /** Whether they are of several calendar or fiscal years, so that a name needs its year. */
    public static function areOfSeveralYears(Period ...$periods): bool
    {
        return \count(array_unique(array_map(PeriodNames::year(...), $periods))) > 1;
    }

    /**
     * @param list<Period> $periods
     * @param list<Period> $among
     *
     * @return list<array{Period, Period}> first and last period of each run
     */
    private static function runs(array $periods, array $among): array
    {
        $runs = [];
        foreach (self::asMonths($periods, $among) as $period) {
            $last = \count($runs) - 1;
            if (
                $last >= 0
                && $runs[$last][1]->grain === $period->grain
                && $runs[$last][1]->moved(1)->start === $period->start
            ) {
                $runs[$last] = [$runs[$last][0], $period];
            } else {
                $runs[] = [$period, $period];
            }
        }

        return $runs;
    }

    /**
     * @param list<Period> $periods
     * @param list<Period> $among
     *
     * @return list<Period>
     */
    private static function asMonths(array $periods, array $among): array
    {
        if (Grain::Day !== ($periods[0] ?? null)?->grain) {
            return $periods;
        }
        $calendar = new FiscalCalendar();
        $month = static fn (Period $day): int => $day->group(Grain::Month, $calendar)->start;
        $all = array_count_values(array_map($month, $among));
        $own = array_count_values(array_map($month, $periods));
        $named = [];
        foreach ($periods as $day) {
            $start = $month($day);
            if ($own[$start] === ($all[$start] ?? 0)) {
                $named["month $start"] = Period::ofStart(Grain::Month, $start);
            } else {
                $named["day $day->start"] = $day;
            }
        }

        return array_values($named);
    }
}
