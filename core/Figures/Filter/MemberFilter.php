<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Filter;

/** Keeps the figures of some members of a breakdown, or of all but some. */
final readonly class MemberFilter
{
    /** @param list<string> $members */
    public function __construct(public string $breakdown, public array $members, public bool $keeps = true) {}

    public function letsText(string $member): bool
    {
        return \in_array($member, $this->members, true) === $this->keeps;
    }

    public function field(): string
    {
        return $this->breakdown;
    }
}
