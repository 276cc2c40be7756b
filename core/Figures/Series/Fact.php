<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Series;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;

/** One amount: measure × period × scenario × breakdown members. */
final readonly class Fact
{
    /** @param list<string> $members one for each breakdown, in the breakdowns' order */
    public function __construct(
        public string $measure,
        public Scenario $scenario,
        public Period $period,
        public array $members,
        public BigDecimal $amount,
    ) {}

    public function key(): string
    {
        return implode("\x1F", [$this->measure, $this->scenario->value, $this->period->start, ...$this->members]);
    }
}
