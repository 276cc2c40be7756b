<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/** An unbroken stretch of days, ends included; may be empty. */
final readonly class PeriodRange
{
    public function __construct(public int $firstDay, public int $lastDay) {}

    public static function between(Period $from, Period $to): self
    {
        return new self($from->firstDay(), $to->lastDay());
    }

    public function holds(Period $period): bool
    {
        return $period->firstDay() >= $this->firstDay && $period->lastDay() <= $this->lastDay;
    }

    /**
     * Every period of the grain that belongs to the range, in calendar order: as periods(), but a week belongs where
     * its
     * Thursday is, so that it is in one range only of two that follow one another.
     *
     * @return list<Period>
     */
    public function belonging(Grain $grain, FiscalCalendar $calendar): array
    {
        $touching = $this->periods($grain, $calendar);
        if (Grain::Week !== $grain) {
            return $touching;
        }
        $isIn = fn (Period $week): bool => $week->decisiveDay() >= $this->firstDay
            && $week->decisiveDay() <= $this->lastDay;

        return array_values(array_filter($touching, $isIn));
    }

    /**
     * Every period of the grain that touches the range, in calendar order.
     *
     * @return list<Period>
     */
    public function periods(Grain $grain, FiscalCalendar $calendar): array
    {
        if ($this->firstDay > $this->lastDay) {
            return [];
        }
        $periods = [];
        $period = Period::ofStart(Grain::Day, $this->firstDay)->group($grain, $calendar);
        for (; $period->firstDay() <= $this->lastDay; $period = $period->moved(1)) {
            $periods[] = $period;
        }

        return $periods;
    }
}
