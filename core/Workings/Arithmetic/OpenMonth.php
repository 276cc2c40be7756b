<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;

/**
 * The month within which figures by day are closed, as it is not over: through 10 January, say. A scenario that knows
 * the whole month only cannot be cut at that day.
 */
final readonly class OpenMonth
{
    /**
     * @param Period $month a calendar month
     * @param positive-int $elapsed days of it that are closed
     * @param positive-int $days that it has
     * @param bool $isWhole whether the question reaches to its end
     * @param bool $isProRata whether a figure of the whole month is taken day by day, in equal parts
     */
    private function __construct(
        public Period $month,
        public int $elapsed,
        public int $days,
        public bool $isWhole,
        public bool $isProRata,
    ) {}

    /** Null where a month is over, and for figures that are not by day. */
    public static function maybe(Dataset $dataset, Period $closing, PeriodRange $range, bool $isProRata): ?self
    {
        if (Grain::Day !== $dataset->grain) {
            return null;
        }
        [$year, $number, $day] = CivilDate::parts($closing->lastDay());
        $month = Period::month($year, $number);
        if ($closing->lastDay() === $month->lastDay()) {
            return null;
        }
        $days = max(1, $month->lastDay() - $month->firstDay() + 1);

        return new self($month, max(1, $day), $days, $range->lastDay >= $month->lastDay(), $isProRata);
    }

    public function holds(Period $day): bool
    {
        return $day->start >= $this->month->firstDay() && $day->start <= $this->month->lastDay();
    }
}
