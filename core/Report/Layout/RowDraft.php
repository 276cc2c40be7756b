<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

/** Blocks side by side while their page is laid out. */
final readonly class RowDraft
{
    /** @param non-empty-list<BlockDraft> $blocks */
    public function __construct(public string $id, public array $blocks) {}

    public function height(): float
    {
        return max(array_map(static fn (BlockDraft $draft): float => $draft->height, $this->blocks));
    }

    /** Whether its height follows from charts, which can be made lower or higher. */
    public function canChange(): bool
    {
        return [] !== array_filter($this->blocks, static fn (BlockDraft $one): bool => null !== $one->chart);
    }
}
