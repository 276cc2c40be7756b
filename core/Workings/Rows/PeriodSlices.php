<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Part\Cumulation;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Result\RowRole;

/** Rows that are periods: each with its own finest periods, or also with those before it. */
final readonly class PeriodSlices
{
    private const MONTHS_MOVED_OVER = 12;

    /**
     * @param list<Period> $periods that rows are
     * @param array<int, FinePeriods> $own of each, by its start
     * @param array<int, FinePeriods> $together what is in each row, by the start of its period
     */
    private function __construct(
        private Scope $scope,
        private array $periods,
        private array $own,
        private array $together,
    ) {}

    public static function planned(Scope $scope, Grain $by): self
    {
        $parts = [];
        foreach ($scope->fine->list as $period) {
            $row = $by === $period->grain ? $period : $period->group($by, $scope->dataset->calendar);
            $parts[$row->start][] = $period;
        }
        $periods = $scope->rowPeriods($by);
        $own = $together = [];
        foreach ($periods as $period) {
            $own[$period->start] = new FinePeriods($parts[$period->start] ?? []);
            $together[$period->start] =
                null === $scope->question->cumulate
                    ? $own[$period->start]
                    : self::cumulated($scope, $period, $scope->question->cumulate);
        }

        return new self($scope, $periods, $own, $together);
    }

    /** @return list<Slice> */
    public function of(Sums $sums): array
    {
        return array_map(
            fn (Period $period): Slice => new Slice(
                key: RowKey::row($period->key()),
                label: PeriodNames::full($period),
                name: PeriodNames::withinYear($period),
                role: RowRole::Row,
                fine: $this->together[$period->start],
                own: $this->own[$period->start],
                sums: $sums,
                period: $period,
            ),
            $this->periods,
        );
    }

    /** All periods that rows are made of. */
    public function reach(): FinePeriods
    {
        if (null === $this->scope->question->cumulate) {
            return $this->scope->fine;
        }
        $all = [];
        foreach ($this->together as $periods) {
            foreach ($periods->list as $period) {
                $all[$period->start] = $period;
            }
        }
        ksort($all);

        return new FinePeriods(array_values($all));
    }

    /**
     * From the start of the fiscal year, or of the twelve months, to the end of the period; no further than the
     * question's span.
     */
    private static function cumulated(Scope $scope, Period $period, Cumulation $how): FinePeriods
    {
        $lastDay = min($period->lastDay(), $scope->range->lastDay);
        if (Cumulation::Moving === $how) {
            [$year, $month] = CivilDate::parts($lastDay);
            $first = Period::month($year, $month)->moved(1 - self::MONTHS_MOVED_OVER);
        } else {
            $first = $period->group(Grain::Year, $scope->dataset->calendar);
        }
        $range = new PeriodRange($first->firstDay(), $lastDay);

        return new FinePeriods($range->belonging($scope->dataset->grain, $scope->dataset->calendar));
    }
}
