<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\PageRow;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Text\LiveText;

/** First documents of reports. */
final class ReportDocuments
{
    private const CHARTS_ON_A_PAGE = 2;

    /** With one page that nothing stands on yet. */
    public static function blank(string $title): Report
    {
        return new Report($title, pages: [new Page(self::id('p'), 'First page')]);
    }

    /**
     * A page for every two charts, one below the other.
     *
     * @param non-empty-list<ChartRecord> $charts
     */
    public static function ofCharts(string $title, array $charts): Report
    {
        $pages = [];
        foreach (array_chunk($charts, self::CHARTS_ON_A_PAGE) as $some) {
            $pages[] = new Page(
                id: self::id('p'),
                title: mb_substr($some[0]->name, 0, 200),
                rows: array_map(
                    static fn (ChartRecord $chart): PageRow => new PageRow(self::id('r'), [self::namedChart($chart)]),
                    $some,
                ),
            );
        }

        return new Report($title, organisation: $charts[0]->dataset->organisation, pages: $pages);
    }

    /** With a row of its own for a block, at the end of the last page; where that is full, on a new one. */
    public static function withBlock(Report $report, ChartBlock $block): Report
    {
        $pages = [] === $report->pages ? [new Page(self::id('p'), 'First page')] : $report->pages;
        $last = $pages[\count($pages) - 1];
        if (\count($last->rows) >= Page::MOST_ROWS) {
            $pages[] = With::of($last, ['id' => self::id('p'), 'message' => new LiveText(), 'rows' => []]);
        }
        $last = array_pop($pages);
        $rows = [...$last->rows, new PageRow(self::id('r'), [$block])];

        return $report->withPages([...$pages, With::of($last, ['rows' => $rows])]);
    }

    public static function namedChart(ChartRecord $chart): ChartBlock
    {
        return new ChartBlock(self::id('b'), named: (string) $chart->id);
    }

    /** @param array<string, mixed> $recipe */
    public static function ownChart(DatasetRecord $dataset, array $recipe): ChartBlock
    {
        return new ChartBlock(self::id('b'), dataset: (string) $dataset->id, recipe: $recipe);
    }

    /** One that nothing else has. */
    public static function id(string $prefix): string
    {
        return $prefix.'-'.bin2hex(random_bytes(5));
    }
}
