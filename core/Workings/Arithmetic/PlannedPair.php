<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;

/** The periods in which what is shown is compared with a reference: those that both cover. */
final readonly class PlannedPair
{
    /**
     * @param ?Scenario $scenario of the reference; null: the one that is shown, of other members
     * @param list<Period> $periods that both cover
     * @param LeftOut $leftOut that one of the two covers
     */
    public function __construct(
        public ?Scenario $scenario,
        public ScenarioPeriods $shown,
        public ScenarioPeriods $reference,
        public array $periods,
        public LeftOut $leftOut,
    ) {}
}
