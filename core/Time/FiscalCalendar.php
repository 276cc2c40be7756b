<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/**
 * Where a fiscal year starts. Groups fine periods into coarse ones.
 */
final readonly class FiscalCalendar
{
    /** @param int $firstMonth of the fiscal year: 1 is January */
    public function __construct(public int $firstMonth = 1)
    {
        if ($firstMonth < 1 || $firstMonth > 12) {
            throw new \InvalidArgumentException(
                "The first month of the fiscal year is $firstMonth; it must be from 1 to 12.",
            );
        }
    }

    /** The count of the month in which the year of this number starts. */
    public function firstMonthOfYear(int $year): int
    {
        return ($year - ($this->firstMonth > 1 ? 1 : 0)) * 12 + $this->firstMonth - 1;
    }

    public function yearOfMonth(int $month): int
    {
        return intdiv($month - $this->firstMonth + 1, 12) + ($this->firstMonth > 1 ? 1 : 0);
    }

    /** The period of the wanted grain that holds the given one; a week belongs where its Thursday is. */
    public function group(Period $period, Grain $grain): Period
    {
        if ($period->grain === $grain) {
            return $period;
        }
        if (!$grain->groups($period->grain) && Grain::Week !== $period->grain) {
            throw new NotAPeriod($period->key(), "a period that is part of a {$grain->value}");
        }
        if (Grain::Week === $grain) {
            return Period::ofStart(Grain::Week, Period::mondayOf($period->start));
        }
        $month = $this->monthOf($period);
        if (Grain::Month === $grain) {
            return Period::ofStart(Grain::Month, $month);
        }
        $yearStart = $this->firstMonthOfYear($this->yearOfMonth($month));
        $number = intdiv($month - $yearStart, $grain->months()) + 1;

        return Period::inYear($grain, $this->yearOfMonth($month), $number, $this);
    }

    private function monthOf(Period $period): int
    {
        if ($period->grain->months() > 0) {
            return $period->start;
        }
        [$year, $month] = CivilDate::parts($period->decisiveDay());

        return $year * 12 + $month - 1;
    }
}
