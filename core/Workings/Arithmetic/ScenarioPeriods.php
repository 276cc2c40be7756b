<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\ScenarioPeriod;

/** Finest periods, each of one scenario, whose amounts are put together: of what is shown, or of a reference. */
final class ScenarioPeriods
{
    /** @var list<ScenarioPeriod> where the amounts are kept, in calendar order */
    public array $kept = [];
    /** @var array<string, list<int>> the same as starts of periods, by scenario code */
    public array $starts = [];
    /** How many periods were added. */
    public int $periods = 0;
    /** How many of them the whole dataset has a figure of; what an average over periods is divided by. */
    public int $figured = 0;
    /** The last one that the whole dataset has a figure of; null where there is none. */
    public ?ScenarioPeriod $last = null;

    public function add(KeptPeriod $period): void
    {
        ++$this->periods;
        foreach ($period->places as $at) {
            $this->kept[] = $at;
            $this->starts[$at->scenario][] = $at->start;
        }
        foreach ($period->figured as $at) {
            ++$this->figured;
            $this->last = $at;
        }
    }
}
