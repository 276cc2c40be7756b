<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/** Where a fiscal year starts. Months are counted from year 0: January 2026 is month 24312. */
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
}
