<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;

/**
 * What a set of figures is about, without the figures.
 */
final readonly class Dataset
{
    /** An actual on one of the last days of its month ends that month. */
    private const LAST_DAYS = 4;

    /**
     * @param list<Measure> $measures in their order; the first one is asked about where none is named
     * @param list<Breakdown> $breakdowns
     * @param ?Period $closedThrough where told; else the last period with actuals
     * @param list<Notice> $notices what the reading of the figures has to say about them
     */
    public function __construct(
        public string $name,
        public array $measures,
        public array $breakdowns,
        public Grain $grain,
        public FiscalCalendar $calendar,
        public Coverage $coverage,
        public ?Period $closedThrough = null,
        public string $organisation = '',
        public array $notices = [],
    ) {}

    public function named(string $name, string $organisation): self
    {
        return new self(
            name: $name,
            measures: $this->measures,
            breakdowns: $this->breakdowns,
            grain: $this->grain,
            calendar: $this->calendar,
            coverage: $this->coverage,
            closedThrough: $this->closedThrough,
            organisation: $organisation,
            notices: $this->notices,
        );
    }

    public function maybeMeasure(string $name): ?Measure
    {
        foreach ($this->measures as $measure) {
            if ($measure->name === $name) {
                return $measure;
            }
        }

        return null;
    }

    /**
     * Less, where a question is about lines alone that take away.
     *
     * @param list<MemberFilter|NumberFilter> $where
     */
    public function betterOf(Measure $measure, array $where): Better
    {
        foreach ($where as $filter) {
            $roles =
                $filter instanceof MemberFilter && $filter->keeps
                    ? $this->maybeBreakdown($filter->breakdown)?->rolesOf($filter->members) ?? []
                    : [];
            if ([LineRole::TakesAway] === array_unique($roles, \SORT_REGULAR)) {
                return Better::Less;
            }
        }

        return $measure->better();
    }

    public function maybeBreakdown(string $name): ?Breakdown
    {
        foreach ($this->breakdowns as $breakdown) {
            if ($breakdown->name === $name) {
                return $breakdown;
            }
        }

        return null;
    }

    /** The breakdown that a column of this name is, under its own or a former name. */
    public function maybeBreakdownCalled(string $name): ?Breakdown
    {
        foreach ($this->breakdowns as $breakdown) {
            if ($breakdown->answersTo($name)) {
                return $breakdown;
            }
        }

        return null;
    }

    /** Which of the breakdowns this is, from 0; where the members of a series stand. */
    public function placeOf(string $breakdown): int
    {
        foreach ($this->breakdowns as $place => $one) {
            if ($one->name === $breakdown) {
                return $place;
            }
        }
        throw new \LogicException("There is no breakdown \"$breakdown\".");
    }

    public function isTimeless(): bool
    {
        return Grain::Timeless === $this->grain;
    }

    /** @throws \LogicException where there are no figures */
    public function closing(): Period
    {
        return $this->maybeClosing() ?? throw new \LogicException('A dataset without figures has no closing period.');
    }

    /**
     * The period that the books are closed through: as told; else the last that has actuals, or anything where there
     * are none. Of figures by day it is the month of the last actual where that is among the last days of its month,
     * else that day: the month is not over.
     *
     * @return ?Period null where there are no figures
     */
    public function maybeClosing(): ?Period
    {
        if (null !== $this->closedThrough) {
            return $this->closedThrough;
        }
        $actual = $this->coverage->last(Scenario::Actual);
        $last = $actual ?? $this->coverage->last();
        if (null === $last || Grain::Day !== $last->grain) {
            return $last;
        }

        return null !== $actual && self::isWithinMonth($actual) ? $actual : $last->group(Grain::Month, $this->calendar);
    }

    /** Whether a month is not over on a day: actuals of the last few days of it end it. */
    public static function isWithinMonth(Period $day): bool
    {
        $month = $day->group(Grain::Month, new FiscalCalendar());

        return $month->lastDay() - $day->lastDay() >= self::LAST_DAYS;
    }

    /** The grain by which the books are closed: that of the figures, of days the month. */
    public function closingGrain(): Grain
    {
        return Grain::Day === $this->grain ? Grain::Month : $this->grain;
    }

    public function isEmpty(): bool
    {
        return null === $this->coverage->last();
    }

    /** From the first to the last period that has any figure; prior year, where derived, is not counted. */
    public function range(): PeriodRange
    {
        $first = $this->coverage->first();
        $last = $this->coverage->last();

        return null === $first || null === $last ? new PeriodRange(1, 0) : PeriodRange::between($first, $last);
    }

    /** @return list<Scenario> those with figures, and prior year where it can be derived */
    public function scenarios(): array
    {
        $present = $this->coverage->scenarios();
        if ($this->isTimeless()) {
            return $present;
        }
        if ($this->coverage->spansYears(Scenario::Actual) && !\in_array(Scenario::PriorYear, $present, true)) {
            $present[] = Scenario::PriorYear;
        }

        return $present;
    }
}
