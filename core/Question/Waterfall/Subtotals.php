<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Waterfall;

/** After which steps of a waterfall subtotals stand: after those named, or by a rule. */
final readonly class Subtotals
{
    /** @param list<string> $after names of periods or members */
    public function __construct(public array $after = [], public ?SubtotalsAt $at = null) {}

    public function isEmpty(): bool
    {
        return [] === $this->after && null === $this->at;
    }
}
