<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Near;

use KeenMargin\Core\Figures\Scenario;

/** Where a value should stand at the closing period: by the time elapsed, or by the phased figures of a scenario. */
final readonly class Pace
{
    private function __construct(public bool $isElapsed, public ?Scenario $scenario) {}

    public static function elapsed(): self
    {
        return new self(true, null);
    }

    public static function phased(Scenario $scenario): self
    {
        return new self(false, $scenario);
    }

    public static function none(): self
    {
        return new self(false, null);
    }

    public function isNone(): bool
    {
        return !$this->isElapsed && null === $this->scenario;
    }
}
