<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\LeftOut;

/**
 * Which of some finest periods are put together: for what is shown, for each scenario and for each comparison. It is the same
 * for every row of these periods, as coverage is that of the whole dataset.
 */
final readonly class ComparisonPlan
{
    /**
     * @param ScenarioPeriods                $shown    each period in the scenario that is shown at it
     * @param list<Period>                   $periods  that are shown
     * @param ScenarioPeriods                $forecast those of them that are forecast
     * @param array<string, ScenarioPeriods> $values   by scenario code
     * @param array<string, PlannedPair>     $pairs    by the reference's code
     */
    public function __construct(
        public ScenarioPeriods $shown,
        public array $periods,
        public ScenarioPeriods $forecast,
        public array $values,
        public array $pairs,
    ) {
    }

    /** What is shown of some members against the same of others. */
    public function withinShown(): PlannedPair
    {
        return new PlannedPair(null, $this->shown, $this->shown, $this->periods, new LeftOut());
    }
}
