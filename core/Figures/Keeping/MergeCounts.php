<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Keeping;

/** How many figures an import added, replaced, found unchanged and removed. */
final readonly class MergeCounts
{
    public function __construct(
        public int $added = 0,
        public int $replaced = 0,
        public int $unchanged = 0,
        public int $removed = 0,
    ) {}

    public function and(self $other): self
    {
        return new self(
            $this->added + $other->added,
            $this->replaced + $other->replaced,
            $this->unchanged + $other->unchanged,
            $this->removed + $other->removed,
        );
    }

    /** @return array{added: int, replaced: int, unchanged: int, removed: int} */
    public function toArray(): array
    {
        return [
            'added' => $this->added,
            'replaced' => $this->replaced,
            'unchanged' => $this->unchanged,
            'removed' => $this->removed,
        ];
    }
}
