<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\KeyFigure;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\PageRow;
use KeenMargin\Core\Report\Report;

/** What a report refers to, under other names: ids where it is kept, names where it is a file. */
final class References
{
    /**
     * @param callable(string): string $dataset
     * @param callable(string): string $chart of named charts
     */
    public static function renamed(Report $report, callable $dataset, callable $chart): Report
    {
        $block = static fn (Block $block): Block => match (true) {
            $block instanceof ChartBlock => With::of($block, [
                'dataset' => '' === $block->dataset ? '' : $dataset($block->dataset),
                'named' => '' === $block->named ? '' : $chart($block->named),
            ]),
            $block instanceof FiguresBlock => With::of($block, [
                'figures' => array_map(
                    static fn (KeyFigure $figure): KeyFigure => With::of($figure, [
                        'dataset' => '' === $figure->dataset ? '' : $dataset($figure->dataset),
                    ]),
                    $block->figures,
                ),
            ]),
            default => $block,
        };

        return $report->withPages(array_map(
            static fn (Page $page): Page => With::of($page, [
                'rows' => array_map(
                    static fn (PageRow $row): PageRow => new PageRow($row->id, array_map($block, $row->blocks)),
                    $page->rows,
                ),
            ]),
            $report->pages,
        ));
    }
}
