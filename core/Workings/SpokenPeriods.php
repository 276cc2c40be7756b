<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;

/** The periods that a sentence is about, as it names them: from the first to the last that is shown. */
final readonly class SpokenPeriods
{
    private ?Period $first;
    private ?Period $last;
    private bool $isTimeless;

    /**
     * @param FinePeriods            $fine  all that the number is of
     * @param callable(Period): bool $shows whether what is shown covers a period
     */
    public function __construct(FinePeriods $fine, callable $shows)
    {
        $shown = $fine->only($shows);
        [$this->first, $this->last] = [$shown->first(), $shown->last()];
        $this->isTimeless = Grain::Timeless === $fine->first()?->grain;
    }

    public function areAll(): bool
    {
        return $this->isTimeless;
    }

    /** `Jan–Aug 2026`, `In all`, `No periods` */
    public function name(): string
    {
        if ($this->isTimeless) {
            return 'In all';
        }
        [$from, $to] = $this->ends();

        return null === $from || null === $to ? 'No periods' : PeriodNames::range($from, $to);
    }

    /** `Jan–Aug`: where the year is told otherwise */
    public function withinYear(): string
    {
        [$from, $to] = $this->ends();

        return null === $from || null === $to ? 'no periods' : PeriodNames::rangeWithinYear($from, $to);
    }

    /** Whether some of what is left out lies within the periods that are named. */
    public function includeAnyOf(LeftOut $leftOut): bool
    {
        foreach ($leftOut->all() as $period) {
            if ($period->start >= ($this->first->start ?? \PHP_INT_MAX) && $period->start <= ($this->last->start ?? \PHP_INT_MIN)) {
                return true;
            }
        }

        return false;
    }

    /** @return array{?Period, ?Period} days that are the first and the last one of months as these months */
    private function ends(): array
    {
        [$first, $last] = [$this->first, $this->last];
        if (Grain::Day !== $first?->grain || null === $last) {
            return [$first, $last];
        }
        $areMonths = 1 === CivilDate::parts($first->start)[2] && 1 === CivilDate::parts($last->start + 1)[2];
        $calendar = new FiscalCalendar();

        return $areMonths ? [$calendar->group($first, Grain::Month), $calendar->group($last, Grain::Month)] : [$first, $last];
    }
}
