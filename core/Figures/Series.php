<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** What a run of amounts over time is about: measure × scenario × breakdown members. */
final readonly class Series
{
    /** @param list<string> $members one for each breakdown, in the breakdowns' order */
    public function __construct(public string $measure, public Scenario $scenario, public array $members)
    {
    }

    public function key(): string
    {
        return implode("\0", [$this->measure, $this->scenario->value, ...$this->members]);
    }
}
