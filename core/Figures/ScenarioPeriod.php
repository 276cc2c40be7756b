<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Time\Period;

/** A finest period of a scenario, as figures are kept by. */
final readonly class ScenarioPeriod
{
    /**
     * @param string $scenario its code
     * @param int $start of the period, as Period counts it
     */
    public function __construct(public string $scenario, public int $start) {}

    public static function of(Scenario $scenario, Period $period): self
    {
        return new self($scenario->value, $period->start);
    }
}
