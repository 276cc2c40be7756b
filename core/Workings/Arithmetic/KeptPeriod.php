<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\ScenarioPeriod;

/** Where the amounts of one finest period of a scenario are kept. */
final readonly class KeptPeriod
{
    /** Whether the whole dataset has a figure there. */
    public bool $hasFigure;

    /**
     * @param list<ScenarioPeriod> $places in calendar order; several of a derived prior year of 28 February, none of
     *                                     one without a counterpart
     * @param list<ScenarioPeriod> $figured those for which the whole dataset has a figure
     * @param bool $isThere whether the whole dataset has figures of all sources of the measure there; of days within
     *                      the month
     * @param positive-int $shareOf of how many equal parts of its amount it is one: a day of a figure of the whole
     *                              month; 1: it is all of it
     */
    public function __construct(
        public array $places,
        public array $figured,
        public bool $isThere,
        public int $shareOf = 1,
    ) {
        $this->hasFigure = [] !== $figured;
    }
}
