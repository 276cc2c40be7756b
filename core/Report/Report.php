<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Time\Period;

/** Pages of charts, messages and texts, with one closing period and shared scales. */
final readonly class Report
{
    public const MOST_PAGES = 60;
    /** Charts and key figures of all pages. */
    public const MOST_CHARTS = 120;

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
    ) {}

    /**
     * Refuses more charts than a report is drawn with.
     *
     * @throws NotAccepted
     */
    public static function insistOnDrawable(int $charts, string $path): void
    {
        if ($charts > self::MOST_CHARTS) {
            throw new NotAccepted(
                $path, 'A report has '.self::MOST_CHARTS.' charts and key figures at most. Make two of it.',
            );
        }
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

    /**
     * Where a block's or key figure's recipe stands in the document, as refusals name it.
     *
     * @return string `pages[0].rows[1].blocks[0].chart`, `pages[0].rows[0].blocks[2].figures[1].recipe`; the id where
     *                there is no such block
     */
    public function pathOf(string $id): string
    {
        foreach ($this->pages as $p => $page) {
            foreach ($page->rows as $r => $row) {
                foreach ($row->blocks as $b => $block) {
                    $path = "pages[$p].rows[$r].blocks[$b]";
                    if ($block->id() === $id) {
                        return $block instanceof ChartBlock ? "$path.chart" : $path;
                    }
                    foreach ($block instanceof FiguresBlock ? $block->figures : [] as $f => $figure) {
                        if ($figure->id === $id) {
                            return "$path.figures[$f].recipe";
                        }
                    }
                }
            }
        }

        return $id;
    }

    /** @return list<string> names or ids of the datasets that its own blocks tell */
    public function datasets(): array
    {
        $ofBlocks = array_map(static fn (Block $block): array => $block->datasets(), $this->blocks());

        return array_values(array_unique(array_merge([], ...$ofBlocks)));
    }
}
