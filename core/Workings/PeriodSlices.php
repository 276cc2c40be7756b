<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Cumulation;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;

/** Rows that are periods: each with its own finest periods, or also with those before it. */
final class PeriodSlices
{
    /** @return list<Slice> */
    public static function of(Scope $scope, Grain $by, Sums $sums): array
    {
        $isFinest = $by === $scope->dataset->grain;
        $parts = [];
        foreach ($isFinest ? [] : $scope->fine as $period) {
            $parts[$scope->dataset->calendar->group($period, $by)->start][] = $period;
        }
        $slices = [];
        foreach ($isFinest ? $scope->fine : $scope->range->periods($by, $scope->dataset->calendar) as $period) {
            $own = $isFinest ? [$period] : $parts[$period->start] ?? [];
            $slices[] = new Slice($period->key(), PeriodNames::full($period), PeriodNames::withinYear($period), RowRole::Row, null === $scope->question->cumulate ? $own : self::cumulated($scope, $by, $period, $scope->question->cumulate), $own, $sums, $period);
        }

        return $slices;
    }

    /** The row of where the year will land. */
    public static function landing(Scope $scope, Sums $sums): Slice
    {
        $fine = $scope->wholeYear();
        $year = PeriodNames::full($scope->year);

        return new Slice('landing', "Landing $year", $year, RowRole::Landing, $fine, $fine, $sums);
    }

    /** @return list<Period> */
    private static function cumulated(Scope $scope, Grain $by, Period $period, Cumulation $how): array
    {
        $first = Cumulation::Moving === $how ? $period->moved(1 - intdiv(12, max(1, $by->months()))) : self::yearOf($scope, $period);

        return Scope::finest(new PeriodRange($first->firstDay(), $period->lastDay()), $by, $scope->dataset);
    }

    private static function yearOf(Scope $scope, Period $period): Period
    {
        return Grain::Year === $period->grain ? $period : $scope->dataset->calendar->group($period, Grain::Year);
    }
}
