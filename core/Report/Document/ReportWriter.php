<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Question\Document\Entries;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Report\Acceptance;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\KeyFigure;
use KeenMargin\Core\Report\Block\TextBlock;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\PageRow;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\ScaleOver;
use KeenMargin\Core\Report\Sheet;

/** Writes a report as the JSON document that ReportReader reads; what is left to its default is left out. */
final class ReportWriter
{
    /** @return array<string, mixed> */
    public static function toArray(Report $report): array
    {
        return Entries::present([
            'keenMargin' => Recipe::VERSION,
            'report' => $report->title,
            'organisation' => '' === $report->organisation ? null : $report->organisation,
            'sheet' => Sheet::Across === $report->sheet ? null : $report->sheet->value,
            'about' => AboutReader::toArray($report->about),
            'scale' => ScaleOver::Page === $report->scale ? null : $report->scale->value,
            'closedThrough' => $report->closedThrough?->key(),
            'pages' => array_map(self::page(...), $report->pages),
            'accepted' => array_map(
                static fn (Acceptance $one): array => array_filter([
                    'finding' => $one->finding,
                    'reason' => $one->reason,
                    'who' => $one->who,
                    'at' => $one->at,
                ]),
                $report->accepted,
            ),
        ]);
    }

    /** @return array<string, mixed> */
    private static function page(Page $page): array
    {
        return Entries::present([
            'id' => $page->id,
            'title' => '' === $page->title ? null : $page->title,
            'message' => LiveTextReader::toJson($page->message),
            'about' => AboutReader::toArray($page->about),
            'scale' => $page->scale?->value,
            'rows' => array_map(
                static fn (PageRow $row): array => [
                    'id' => $row->id,
                    'blocks' => array_map(self::block(...), $row->blocks),
                ],
                $page->rows,
            ),
        ]);
    }

    /** @return array<string, mixed> */
    private static function block(Block $block): array
    {
        $told = array_filter([
            'id' => $block->id(),
            'width' => $block->width(),
            'dataset' => $block instanceof ChartBlock ? $block->dataset : '',
        ]);

        return $told + match (true) {
            $block instanceof ChartBlock => ['chart' => $block->recipe ?? $block->named],
            $block instanceof FiguresBlock => [
                'figures' => array_map(
                    static fn (KeyFigure $figure): array => array_filter([
                        'id' => $figure->id,
                        'dataset' => $figure->dataset,
                        'recipe' => $figure->recipe,
                        'label' => $figure->label,
                    ]),
                    $block->figures,
                ),
            ],
            $block instanceof TextBlock => ['text' => LiveTextReader::toJson($block->text) ?? ''],
            default => throw new \LogicException('A block of class '.$block::class.' cannot be written.'),
        };
    }
}
