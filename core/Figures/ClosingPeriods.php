<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** The periods through which the books of a dataset can be closed step by step: its finest ones, of days the months. */
final readonly class ClosingPeriods
{
    /** @var list<Period> in calendar order */
    public array $list;

    public function __construct(Dataset $dataset)
    {
        $isNone = $dataset->isTimeless() || $dataset->isEmpty();
        $this->list = $isNone ? [] : $dataset->range()->belonging($dataset->closingGrain(), $dataset->calendar);
    }

    /** The last one that ends before another period does; null where there is none. */
    public function before(Period $closing): ?Period
    {
        $before = array_filter(
            $this->list,
            static fn (Period $period): bool => $period->lastDay() < $closing->lastDay(),
        );

        return [] === $before ? null : $before[array_key_last($before)];
    }

    /** The last one that ends with another period or before it; null where there is none. */
    public function upTo(Period $closing): ?Period
    {
        $known = array_filter(
            $this->list,
            static fn (Period $period): bool => $period->lastDay() <= $closing->lastDay(),
        );

        return [] === $known ? null : $known[array_key_last($known)];
    }

    /**
     * The first one that ends after another period does: of a day within a month that month. Null where there is none.
     */
    public function after(Period $closing): ?Period
    {
        $after = array_filter(
            $this->list,
            static fn (Period $period): bool => $period->lastDay() > $closing->lastDay(),
        );

        return [] === $after ? null : $after[array_key_first($after)];
    }

    /**
     * The steps from a closing period of any dataset, as a report has it: its neighbours, of a day within a month the
     * month before and the month itself.
     *
     * @return array{back: Period, on: Period}
     */
    public static function around(Period $closing): array
    {
        if (Grain::Day !== $closing->grain) {
            return ['back' => $closing->moved(-1), 'on' => $closing->moved(1)];
        }
        $month = $closing->group(Grain::Month, new FiscalCalendar());
        $isOver = $month->lastDay() === $closing->lastDay();

        return ['back' => $month->moved(-1), 'on' => $isOver ? $month->moved(1) : $month];
    }
}
