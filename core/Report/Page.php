<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\TextBlock;
use KeenMargin\Core\Report\Text\LiveText;

/** A sheet of a report. */
final readonly class Page
{
    public const MOST_ROWS = 12;

    /**
     * @param string $id within the report
     * @param string $title in the outline and in bookmarks
     * @param LiveText $message the sentence at its head
     * @param ?ScaleOver $scale null: as the report has it
     * @param list<PageRow> $rows from top to bottom
     */
    public function __construct(
        public string $id,
        public string $title,
        public LiveText $message = new LiveText(),
        public About $about = new About(),
        public ?ScaleOver $scale = null,
        public array $rows = [],
    ) {}

    /** @return list<Block> row by row, from left to right */
    public function blocks(): array
    {
        return array_merge([], ...array_map(static fn (PageRow $row): array => $row->blocks, $this->rows));
    }

    /** How many charts and key figures are on it. */
    public function charts(): int
    {
        $counts = array_map(
            static fn (Block $block): int => match (true) {
                $block instanceof FiguresBlock => \count($block->figures),
                $block instanceof ChartBlock => 1,
                default => 0,
            },
            $this->blocks(),
        );

        return array_sum($counts);
    }

    public function maybeBlock(string $id): ?Block
    {
        foreach ($this->blocks() as $block) {
            if ($block->id() === $id) {
                return $block;
            }
        }

        return null;
    }

    /** @return array<string, LiveText> the message, and each text, by the id of its block; the message under nothing */
    public function texts(): array
    {
        $texts = ['' => $this->message];
        foreach ($this->blocks() as $block) {
            if ($block instanceof TextBlock) {
                $texts[$block->id] = $block->text;
            }
        }

        return $texts;
    }
}
