<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Series;

use KeenMargin\Core\Figures\Scenario;

/**
 * What a run of amounts over time is about: measure × scenario × breakdown members. There may be many, so the members
 * are kept as one text.
 */
final readonly class Series
{
    /**
     * @param string $joined the members, one for each breakdown in the breakdowns' order, with a zero byte between them
     */
    private function __construct(public string $measure, public Scenario $scenario, public string $joined) {}

    /** @param list<string> $members */
    public static function of(string $measure, Scenario $scenario, array $members): self
    {
        return new self($measure, $scenario, implode("\0", $members));
    }

    public static function joined(string $measure, Scenario $scenario, string $joined): self
    {
        return new self($measure, $scenario, $joined);
    }

    /** @return list<string> one at least, which means nothing where there are no breakdowns */
    public function members(): array
    {
        return explode("\0", $this->joined);
    }

    public function member(int $place): string
    {
        return $this->members()[$place];
    }

    public function key(): string
    {
        return implode("\0", [$this->measure, $this->scenario->value, $this->joined]);
    }
}
