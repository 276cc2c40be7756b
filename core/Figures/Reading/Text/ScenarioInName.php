<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

use KeenMargin\Core\Figures\Scenario;

/** A column's name that tells a scenario. */
final readonly class ScenarioInName
{
    /** @param string $rest the name without the word for the scenario; may be empty */
    public function __construct(public Scenario $scenario, public string $rest) {}
}
