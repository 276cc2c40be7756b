<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Paint\Palette;
use KeenMargin\App\Export\Slides\Part\BlockMemory;
use KeenMargin\App\Export\Slides\Part\DeckMemory;
use KeenMargin\App\Export\Slides\Shape\ShapeWriter;

/** What the slides of one update have in common: the colours, and the list of what is done. */
final class UpdateRun
{
    public readonly InkForms $inks;
    /** @var list<UpdateEntry> */
    private array $entries = [];

    public function __construct(private readonly Palette $palette, private readonly DeckMemory $memory)
    {
        $this->inks = new InkForms($palette);
    }

    public function writer(int $lastId): ShapeWriter
    {
        return new ShapeWriter($this->palette, $lastId);
    }

    public function tell(UpdateKind $kind, int $slide, string $what, string $says): void
    {
        $this->entries[] = new UpdateEntry($kind, $slide, $what, $says);
    }

    /** @return list<UpdateEntry> what has to be looked at first */
    public function entries(): array
    {
        $entries = [];
        foreach (UpdateKind::cases() as $kind) {
            foreach ($this->entries as $entry) {
                $kind === $entry->kind && $entries[] = $entry;
            }
        }

        return $entries;
    }

    /** Page that a block was written on; null: none. */
    public function maybePageOf(string $block): ?string
    {
        foreach ($this->memory->pages() as $page) {
            if (null !== $this->memory->maybeBlock($page, $block)) {
                return $page;
            }
        }

        return null;
    }

    /** Of a block wherever it was written; null: nowhere. */
    public function memoryOf(string $block): ?BlockMemory
    {
        $page = $this->maybePageOf($block);

        return null === $page ? null : $this->memory->maybeBlock($page, $block);
    }
}
