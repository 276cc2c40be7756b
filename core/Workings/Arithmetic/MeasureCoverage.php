<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\ScenarioPeriod;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PriorYear;

/**
 * Which finest periods a scenario covers, for one measure: those for which the whole dataset, before any filter, row or
 * panel, has a figure of it. What a scenario does not cover is missing; a member without a figure in a covered period
 * has nothing there.
 *
 * Days are judged by their month, so that a daily actual can stand against a budget dated on firsts of months. Actuals,
 * and prior years derived from them, cover no day before the first actual, nor one after the last actual and the
 * closing day; but where the other side has one figure for the whole month, the month is compared as a whole.
 *
 * A prior year that did not come in for a period (of days: for its month) is derived from the actuals of the year
 * before.
 */
final class MeasureCoverage
{
    /** @var array<string, array<int, true>> starts of periods, of days numbers of months, by scenario code */
    private array $units = [];
    /** @var array<string, array<int, true>> starts of the periods that have a figure themselves, by scenario code */
    private array $figured = [];
    /**
     * @var array<string, array<int, true>> months for which a scenario has one figure, dated on their first or last day
     */
    private array $wholeMonths = [];
    private readonly bool $isDaily;
    private int $firstActual = \PHP_INT_MAX;
    private int $lastActual = \PHP_INT_MIN;
    /** @var array<string, array<int, KeptPeriod>> those that were asked for, by scenario code and start */
    private array $kept = [];
    /** @var array<int, int> numbers of months by day */
    private array $months = [];

    /**
     * @param Sums $whole of the whole dataset, without any filter
     * @param Period $closing of the question
     */
    public function __construct(Measure $measure, Sums $whole, Dataset $dataset, Period $closing)
    {
        $this->isDaily = Grain::Day === $dataset->grain;
        foreach (Scenario::cases() as $scenario) {
            $this->add($scenario, $measure->sources(), $whole);
        }
        if ($this->isDaily) {
            $actual = array_keys($this->figured[Scenario::Actual->value]);
            $this->firstActual = [] === $actual ? \PHP_INT_MAX : min($actual);
            $this->lastActual = [] === $actual ? \PHP_INT_MIN : max(max($actual), $closing->lastDay());
        }
    }

    /**
     * Whether the scenario covers the period.
     *
     * @param ?Scenario $against what it is compared with; null: nothing
     */
    public function covers(Scenario $scenario, Period $fine, ?Scenario $against = null): bool
    {
        if (!$this->isDaily) {
            return $this->kept($scenario, $fine)->isThere;
        }
        $isMonthWhole = $this->isOfWholeMonth($against, $fine->start);
        foreach ($this->judgedBy($scenario, $fine) as $at) {
            if (!isset($this->units[$at->scenario][$this->unit($at->start)])) {
                continue;
            }
            if (Scenario::Actual->value !== $at->scenario || $isMonthWhole || $this->isWithinActuals($at->start)) {
                return true;
            }
        }

        return false;
    }

    /**
     * By which figures it is told whether a scenario covers a period: those that are kept for it; of 29 February, whose
     * derived prior year has none of its own, those of 28 February.
     *
     * @return list<ScenarioPeriod>
     */
    public function judgedBy(Scenario $scenario, Period $fine): array
    {
        $kept = $this->kept($scenario, $fine)->places;

        return [] === $kept && Grain::Day === $fine->grain
            ? [ScenarioPeriod::of(Scenario::Actual, $fine->yearEarlier())]
            : $kept;
    }

    /** Whether the prior year of a period is the actual of one year earlier, because none came in for it. */
    public function isDerived(Period $fine): bool
    {
        return !isset($this->units[Scenario::PriorYear->value][$this->unit($fine->start)]);
    }

    /** Where the amounts of a scenario's period are kept: of a derived prior year with the actuals. */
    public function kept(Scenario $scenario, Period $fine): KeptPeriod
    {
        return $this->kept[$scenario->value][$fine->start] ??= $this->find($scenario, $fine);
    }

    private function find(Scenario $scenario, Period $fine): KeptPeriod
    {
        $isDerived = Scenario::PriorYear === $scenario && $this->isDerived($fine);
        $places = $figured = [];
        $isThere = false;
        foreach ($isDerived ? PriorYear::of($fine) : [$fine] as $period) {
            $place = ScenarioPeriod::of($isDerived ? Scenario::Actual : $scenario, $period);
            $places[] = $place;
            if (isset($this->figured[$place->scenario][$place->start])) {
                $figured[] = $place;
            }
            $isThere = $isThere || isset($this->units[$place->scenario][$this->unit($place->start)]);
        }

        return new KeptPeriod($places, $figured, $isThere);
    }

    /** Days that are judged together have one number, that of their month; other periods have their own start. */
    public function unit(int $start): int
    {
        if (!$this->isDaily) {
            return $start;
        }

        return $this->months[$start] ??= self::month($start);
    }

    private static function month(int $day): int
    {
        [$year, $month] = CivilDate::parts($day);

        return $year * 12 + $month - 1;
    }

    /** @param list<string> $sources of the measure; of a ratio both are needed */
    private function add(Scenario $scenario, array $sources, Sums $whole): void
    {
        $code = $scenario->value;
        $units = $figured = [];
        foreach ($sources as $i => $source) {
            $starts = $whole->starts($source, $scenario);
            $figured[$i] = array_fill_keys($starts, true);
            $units[$i] = $this->isDaily ? array_fill_keys(array_map($this->unit(...), $starts), true) : $figured[$i];
        }
        $this->units[$code] = array_intersect_key(...$units);
        $this->figured[$code] = array_replace(...$figured);
        $this->wholeMonths[$code] = $this->isDaily ? $this->wholeMonths($this->figured[$code]) : [];
    }

    /**
     * @param array<int, true> $days
     *
     * @return array<int, true>
     */
    private function wholeMonths(array $days): array
    {
        $byMonth = [];
        foreach (array_keys($days) as $day) {
            $byMonth[$this->unit($day)][] = $day;
        }
        $isEdge = static fn (int $day): bool => 1 === CivilDate::parts($day)[2] || 1 === CivilDate::parts($day + 1)[2];

        return array_map(
            static fn (): bool => true,
            array_filter($byMonth, static fn (array $own): bool => 1 === \count($own) && $isEdge($own[0])),
        );
    }

    private function isWithinActuals(int $start): bool
    {
        $isWithin = $start >= $this->firstActual && $start <= $this->lastActual;

        return !$this->isDaily || $isWithin || $this->isOfWholeMonth(Scenario::Actual, $start);
    }

    /** Whether a scenario has one figure for the whole month that the day is in. */
    private function isOfWholeMonth(?Scenario $scenario, int $day): bool
    {
        return null !== $scenario && isset($this->wholeMonths[$scenario->value][$this->unit($day)]);
    }
}
