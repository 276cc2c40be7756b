<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Time\Period;

/** Finest periods that only one side of a comparison has, and that are compared with nothing for that. */
final readonly class LeftOut
{
    /**
     * @param list<Period> $shown that the reference lacks
     * @param list<Period> $reference that the shown scenario lacks
     */
    public function __construct(public array $shown = [], public array $reference = []) {}

    public function isEmpty(): bool
    {
        return [] === $this->shown && [] === $this->reference;
    }

    /** @return list<Period> of both sides, in calendar order */
    public function all(): array
    {
        $all = [...$this->shown, ...$this->reference];
        usort($all, static fn (Period $a, Period $b): int => $a->start <=> $b->start);

        return $all;
    }
}
