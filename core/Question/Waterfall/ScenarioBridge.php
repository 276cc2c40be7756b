<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Waterfall;

use KeenMargin\Core\Figures\Scenario;

/** A bridge from one scenario's total to another's: budget → actual. */
final readonly class ScenarioBridge
{
    /** @param list<Scenario> $through totals between the two, in their order */
    public function __construct(public Scenario $from, public Scenario $to, public array $through = []) {}

    /** @return non-empty-list<Scenario> all totals, from the start to the end */
    public function stations(): array
    {
        return [$this->from, ...$this->through, $this->to];
    }
}
