<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Time\Period;

/** Periods of the finest grain, in calendar order: what a row, a total or a landing is made of. */
final readonly class FinePeriods
{
    /** @param list<Period> $list */
    public function __construct(public array $list) {}

    public function isEmpty(): bool
    {
        return [] === $this->list;
    }

    /** Null where there are none. */
    public function first(): ?Period
    {
        return $this->list[0] ?? null;
    }

    /** Null where there are none. */
    public function last(): ?Period
    {
        return $this->list[\count($this->list) - 1] ?? null;
    }

    /** @param callable(Period): bool $keeps */
    public function only(callable $keeps): self
    {
        $kept = [];
        foreach ($this->list as $period) {
            if ($keeps($period)) {
                $kept[] = $period;
            }
        }

        return \count($kept) === \count($this->list) ? $this : new self($kept);
    }

    public function without(self $others): self
    {
        $starts = array_fill_keys(array_map(static fn (Period $period): int => $period->start, $others->list), true);

        return $this->only(static fn (Period $period): bool => !isset($starts[$period->start]));
    }

    /** Those of both, each once, in calendar order. */
    public function with(self $others): self
    {
        $more = $others->without($this)->list;
        if ([] === $more) {
            return $this;
        }
        $all = [...$this->list, ...$more];
        usort($all, static fn (Period $a, Period $b): int => $a->start <=> $b->start);

        return new self($all);
    }
}
