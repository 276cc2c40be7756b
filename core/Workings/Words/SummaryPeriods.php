<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Words;

use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;

/** The periods that a sentence is about, as it names them: from the first to the last that is shown. */
final readonly class SummaryPeriods
{
    private ?Period $first;
    private ?Period $last;
    private bool $isTimeless;

    /**
     * @param FinePeriods $fine all that the number is of
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

        return null === $this->first || null === $this->last
            ? 'No periods'
            : PeriodNames::range($this->first, $this->last);
    }

    /** `Jan–Aug`: where the year is told otherwise */
    public function withinYear(): string
    {
        return null === $this->first || null === $this->last
            ? 'no periods'
            : PeriodNames::rangeWithinYear($this->first, $this->last);
    }

    /** Whether some of what is left out lies within the periods that are named. */
    public function includeAnyOf(LeftOut $leftOut): bool
    {
        foreach ($leftOut->all() as $period) {
            if (
                $period->start >= ($this->first->start ?? \PHP_INT_MAX)
                && $period->start <= ($this->last->start ?? \PHP_INT_MIN)
            ) {
                return true;
            }
        }

        return false;
    }
}
