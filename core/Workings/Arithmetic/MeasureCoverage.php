<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\ScenarioPeriod;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PriorYear;
use KeenMargin\Core\Time\WholeMonth;

/**
 * Which finest periods a scenario covers, for one measure: those for which the whole dataset, before any filter, row or
 * panel, has a figure of it. What a scenario does not cover is missing; a member without a figure in a covered period
 * has nothing there.
 *
 * Days are judged by their month, so that a daily actual can stand against a budget dated on firsts of months. Actuals,
 * and prior years derived from them, cover no day before the first actual, nor one after the last actual and the
 * closing day; a first actual within the first four days of its month covers that month. Where the other side has one
 * figure for the whole month, the month is compared as a whole, unless it is not over (OpenMonth).
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
     * @var array<string, array<int, int>> months for which a scenario has one figure, dated on their first or last day,
     *                                     with that day
     */
    private array $wholeMonths = [];
    private readonly bool $isDaily;
    /** Days at the beginning and at the end of a month on which nothing may happen though it is told as a whole. */
    public const EDGE = 4;
    /** Whether a figure of the whole month that is not over is taken day by day. */
    public readonly bool $isProRata;
    /** The last day with an actual; null: there is none, or figures are not by day. */
    public ?Period $lastActualDay = null;
    private int $firstActual = \PHP_INT_MAX;
    private int $lastActual = \PHP_INT_MIN;
    /** @var array<string, array<int, KeptPeriod>> those that were asked for, by scenario code and start */
    private array $kept = [];
    /** @var array<int, int> numbers of months by day */
    private array $months = [];

    /**
     * @param Sums $whole of the whole dataset, without any filter
     * @param Period $closing of the question
     * @param ?OpenMonth $open the month that is not over at the closing period; null: none
     */
    public function __construct(
        Measure $measure,
        Sums $whole,
        Dataset $dataset,
        Period $closing,
        public readonly ?OpenMonth $open = null,
    ) {
        $isAddedOverDays = Grouping::Sum === $measure->grouping && $measure->isAddedOverMembers();
        $this->isProRata = true === $open?->isProRata && ($isAddedOverDays || $measure->isRatio());
        $this->isDaily = Grain::Day === $dataset->grain;
        foreach (Scenario::cases() as $scenario) {
            $this->add($scenario, $measure->sources(), $whole);
        }
        if ($this->isDaily) {
            $actual = array_keys($this->figured[Scenario::Actual->value]);
            $this->firstActual = [] === $actual ? \PHP_INT_MAX : self::firstOfMonth(min($actual));
            $this->lastActual = [] === $actual ? \PHP_INT_MIN : max(max($actual), $closing->lastDay());
            $this->lastActualDay = [] === $actual ? null : Period::ofStart(Grain::Day, max($actual));
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

    /** The first of the month of a day that is within the first days of it; else the day itself. */
    private static function firstOfMonth(int $day): int
    {
        $number = CivilDate::parts($day)[2];

        return $number <= self::EDGE ? $day - $number + 1 : $day;
    }

    /**
     * Whether a scenario has one figure for the whole month that a day is in; of a derived prior year the actual of the
     * year before.
     */
    public function knowsMonthOnly(Scenario $scenario, Period $day): bool
    {
        return null !== $this->maybeOfMonth($scenario, $day);
    }

    /**
     * Where the one figure is kept that a scenario has for the whole month that a day is in; null where it has several,
     * or none.
     */
    public function maybeOfMonth(Scenario $scenario, Period $day): ?ScenarioPeriod
    {
        foreach ($this->judgedBy($scenario, $day) as $at) {
            $own = $this->wholeMonths[$at->scenario][$this->unit($at->start)] ?? null;
            if (null !== $own) {
                return new ScenarioPeriod($at->scenario, $own);
            }
        }

        return null;
    }

    /** Whether a scenario has any figure in the month that is not over. */
    public function hasOpenMonth(Scenario $scenario): bool
    {
        $first = null === $this->open ? null : Period::ofStart(Grain::Day, $this->open->month->firstDay());

        return null !== $first && $this->kept($scenario, $first)->isThere;
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
     * @return array<int, int> the day that a month's only figure is dated on, by the number of the month
     */
    private function wholeMonths(array $days): array
    {
        $byMonth = [];
        foreach (array_keys($days) as $day) {
            $byMonth[$this->unit($day)][] = $day;
        }

        return array_filter(
            array_map(WholeMonth::maybeDay(...), $byMonth),
            static fn (?int $day): bool => null !== $day,
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
