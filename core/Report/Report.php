<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Time\Period;

/** Pages of charts, messages and texts, with one closing period and shared scales. */
final readonly class Report
{
    public const MOST_PAGES = 60;

    /**
     * @param string $organisation whose report it is; blank: told by its figures
     * @param ?Period $closedThrough pinned; null: it follows its datasets
     * @param list<Page> $pages
     * @param list<Acceptance> $accepted what is left as it is
     */
    public function __construct(
        public string $title,
        public Sheet $sheet = Sheet::Across,
        public About $about = new About(),
        public ScaleOver $scale = ScaleOver::Page,
        public ?Period $closedThrough = null,
        public string $organisation = '',
        public array $pages = [],
        public array $accepted = [],
    ) {
    }

    public function maybePage(string $id): ?Page
    {
        foreach ($this->pages as $page) {
            if ($page->id === $id) {
                return $page;
            }
        }

        return null;
    }

    public function closed(?Period $through): self
    {
        return With::of($this, ['closedThrough' => $through]);
    }

    /** @param list<Page> $pages */
    public function withPages(array $pages): self
    {
        return With::of($this, ['pages' => $pages]);
    }

    /** What a page is about, with what the whole report is about. */
    public function aboutOf(Page $page): About
    {
        return $page->about->over($this->about);
    }

    public function scaleOf(Page $page): ScaleOver
    {
        return $page->scale ?? $this->scale;
    }

    /** @return list<Block> of all pages */
    public function blocks(): array
    {
        return array_merge([], ...array_map(static fn (Page $page): array => $page->blocks(), $this->pages));
    }

    /** @return list<ChartBlock> of all pages */
    public function charts(): array
    {
        return array_values(
            array_filter($this->blocks(), static fn (Block $block): bool => $block instanceof ChartBlock),
        );
    }

    /** @return list<string> names or ids of the datasets that its own blocks tell */
    public function datasets(): array
    {
        $ofBlocks = array_map(static fn (Block $block): array => $block->datasets(), $this->blocks());

        return array_values(array_unique(array_merge([], ...$ofBlocks)));
    }
}
