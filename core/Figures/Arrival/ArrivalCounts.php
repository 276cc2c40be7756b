<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

/** How many amounts an arrival would add, change and remove, and where. */
final readonly class ArrivalCounts
{
    /**
     * @param int $inNewPeriods of periods that the scenario had no figures of
     * @param int $inClosedPeriods of periods that the books are closed through
     */
    public function __construct(
        public int $added = 0,
        public int $changed = 0,
        public int $removed = 0,
        public int $inNewPeriods = 0,
        public int $inClosedPeriods = 0,
    ) {}

    public function all(): int
    {
        return $this->added + $this->changed + $this->removed;
    }

    /** @return array{added: int, changed: int, removed: int, inNewPeriods: int, inClosedPeriods: int} */
    public function toArray(): array
    {
        return [
            'added' => $this->added,
            'changed' => $this->changed,
            'removed' => $this->removed,
            'inNewPeriods' => $this->inNewPeriods,
            'inClosedPeriods' => $this->inClosedPeriods,
        ];
    }
}
