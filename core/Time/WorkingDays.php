<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/** Monday to Friday without holidays. Days are counted from 1 January 1970, as in CivilDate. */
final readonly class WorkingDays
{
    private const DAYS_IN_WEEK = 7;
    private const FIRST_OF_WEEKEND = 6;
    /** 1 January 1970 was a Thursday. */
    private const WEEKDAY_OF_DAY_ZERO = 4;

    /** @param array<int, string> $holidays names by day */
    public function __construct(private array $holidays = []) {}

    /** @return int 1 for Monday to 7 for Sunday */
    public static function weekday(int $day): int
    {
        $since = ($day + self::WEEKDAY_OF_DAY_ZERO - 1) % self::DAYS_IN_WEEK;

        return 1 + ($since + self::DAYS_IN_WEEK) % self::DAYS_IN_WEEK;
    }

    public function isWorking(int $day): bool
    {
        return self::weekday($day) < self::FIRST_OF_WEEKEND && !isset($this->holidays[$day]);
    }

    /** How many working days a stretch has, both ends included; none where it ends before it begins. */
    public function between(int $from, int $to): int
    {
        $count = 0;
        for ($day = $from; $day <= $to; ++$day) {
            $count += $this->isWorking($day) ? 1 : 0;
        }

        return $count;
    }

    /** Which working day of its month a day is, from 1. Of a day off, that of the one before; 0 before the first. */
    public function numberInMonth(int $day): int
    {
        [$year, $month] = CivilDate::parts($day);

        return $this->between(CivilDate::number($year, $month, 1), $day);
    }

    /** @return ?int null where the period has fewer working days */
    public function maybeNth(Period $period, int $number): ?int
    {
        for ($day = $period->firstDay(), $last = $period->lastDay(); $day <= $last; ++$day) {
            $number -= $this->isWorking($day) ? 1 : 0;
            if (0 === $number) {
                return $day;
            }
        }

        return null;
    }

    /** The working day by which something is due: the nth of the period, or its last where it has fewer. */
    public function due(Period $period, int $number): int
    {
        $day = $this->maybeNth($period, $number) ?? $period->lastDay();
        while (!$this->isWorking($day) && $day > $period->firstDay()) {
            --$day;
        }

        return $day;
    }

    /** Working days by which a day lies after the due one; 0 where it does not. */
    public function late(int $due, int $day): int
    {
        return $this->between($due + 1, $day);
    }
}
