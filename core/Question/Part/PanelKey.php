<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Part;

/** Which of several panels of a chart: that of a member, or the one of the members that have none of their own. */
final readonly class PanelKey
{
    private const OTHERS = 'other';

    /** Unique among the panels of a chart. */
    public string $id;

    /** @param ?string $member may be blank; null: the others */
    private function __construct(public ?string $member)
    {
        $name = null === $member ? self::OTHERS : addcslashes($member, '/\\');
        $this->id = self::OTHERS === $member ? "\\$name" : $name;
    }

    public static function member(string $member): self
    {
        return new self($member);
    }

    public static function others(): self
    {
        return new self(null);
    }

    public function isOthers(): bool
    {
        return null === $this->member;
    }
}
