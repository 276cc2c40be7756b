<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;

/** A period and those finest periods of it that matter. */
final readonly class PeriodOfFine
{
    private function __construct(public Period $period, public FinePeriods $fine) {}

    /** @return list<self> in calendar order */
    public static function all(FinePeriods $fine, Grain $by, FiscalCalendar $calendar): array
    {
        $periods = $parts = [];
        foreach ($fine->list as $one) {
            $period = $by === $one->grain ? $one : $one->group($by, $calendar);
            $periods[$period->start] = $period;
            $parts[$period->start][] = $one;
        }

        return array_values(array_map(
            static fn (Period $period): self => new self($period, new FinePeriods($parts[$period->start])),
            $periods,
        ));
    }
}
