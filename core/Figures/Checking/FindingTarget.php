<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;

/** Where something was found: a scenario's figures of a period, of one line or of all. */
final readonly class FindingTarget
{
    /** @param list<string> $members of the line; none: all lines */
    public function __construct(
        public string $measure,
        public Scenario $scenario,
        public ?Period $period,
        public array $members,
        public string $amount = '',
    ) {}

    /** By which it is known whether it is still the same. */
    public function mark(): string
    {
        return implode("\0", [
            $this->measure,
            $this->scenario->value,
            $this->period?->key() ?? '',
            $this->amount,
            ...$this->members,
        ]);
    }

    /** @return array{measure: string, scenario: string, period: string, members: list<string>, amount: string} */
    public function toArray(): array
    {
        return [
            'measure' => $this->measure,
            'scenario' => $this->scenario->value,
            'period' => $this->period?->key() ?? '',
            'members' => $this->members,
            'amount' => $this->amount,
        ];
    }
}
