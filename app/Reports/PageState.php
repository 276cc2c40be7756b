<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Report\AboutWords;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Drawing\NumberNow;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Report\Layout\PageNote;
use KeenMargin\Core\Report\Layout\PlacedBlock;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Plain;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** A page of a report as the page of the application shows it: what is drawn, and where. */
final class PageState
{
    /** @return array<string, mixed> */
    public static function of(DrawnPage $page, ReportDrawing $drawing): array
    {
        $report = $drawing->report;

        return [
            'id' => $page->page->id,
            'title' => $page->page->title,
            'number' => $page->number,
            'of' => \count($report->pages),
            'width' => Plain::round($page->paper->width),
            'height' => Plain::round($page->height),
            'left' => Plain::round($page->paper->left()),
            'contentWidth' => Plain::round($page->paper->contentWidth()),
            'messageBottom' => Plain::round($page->messageBottom),
            'message' => self::marks($page->message->marks),
            'says' => $drawing->said($page->page->message),
            'frame' => self::marks($page->frame),
            'blocks' => array_map(
                static fn (PlacedBlock $block): array => self::block($block, $drawing),
                $page->blocks,
            ),
            'notes' => array_map(
                static fn (PageNote $note): array => [
                    'number' => $note->number,
                    'text' => $note->text,
                    'id' => $note->id,
                    'block' => $note->block,
                ],
                $page->notes,
            ),
            'about' => array_map(
                static fn (SentencePart $part): array => $part->toArray(),
                AboutWords::ofPage($report, $page->page),
            ),
            'over' => $page->maybeOver(),
            'checks' => array_map(static fn (Check $check): array => $check->toArray(), $page->checks),
            'numbers' => self::numbers($page, $drawing),
        ];
    }

    /** @return array<string, mixed> */
    private static function block(PlacedBlock $placed, ReportDrawing $drawing): array
    {
        $block = $placed->block;
        $kind = match (true) {
            $block instanceof ChartBlock => 'chart',
            $block instanceof FiguresBlock => 'figures',
            default => 'text',
        };

        return [
            'id' => $block->id(),
            'row' => $placed->row,
            'kind' => $kind,
            'left' => Plain::round($placed->left),
            'top' => Plain::round($placed->top),
            'width' => Plain::round($placed->width),
            'height' => Plain::round($placed->height),
            'scale' => round($placed->scale, 4),
            'scene' => $placed->drawing?->scene->toArray(),
            'marks' => self::marks($placed->marks),
            'trouble' => $placed->trouble,
            'cannot' => $placed->cannot,
            'name' => $placed->name,
            'isEmpty' => $block->isEmpty(),
            'rows' => null === $placed->drawing ? [] : self::rows($placed->drawing->workings),
            'summary' => \array_slice($placed->drawing?->workings->summary->texts() ?? [], 0, 3),
            'failing' => array_values(array_map(
                static fn (Check $check): string => $check->says,
                array_filter($placed->drawing?->checks() ?? [], static fn (Check $check): bool => !$check->holds),
            )),
            ...'chart' === $kind && !$block->isEmpty() ? self::asked($block->id(), $drawing) : [],
        ];
    }

    /** @return array<string, mixed> */
    private static function asked(string $id, ReportDrawing $drawing): array
    {
        try {
            $asked = $drawing->asked($id);
        } catch (NotAccepted) {
            return [];
        }

        return ['dataset' => $asked->dataset, 'recipe' => RecipeWriter::toArray($asked->recipe)];
    }

    /**
     * What pointing at a row tells: its name, and each of its numbers with the head of its column.
     *
     * @return list<array{key: string, label: string, numbers: list<array{head: string, is: string}>}>
     */
    private static function rows(Workings $workings): array
    {
        return array_map(
            static fn (Row $row): array => [
                'key' => $row->key->id,
                'label' => $row->label,
                'numbers' => array_map(
                    static fn (Column $column): array => [
                        'head' => $column->head,
                        'is' => $workings->told($column, $row),
                    ],
                    $workings->table->columns,
                ),
            ],
            $workings->table->rows,
        );
    }

    /** @return list<array<string, mixed>> */
    private static function numbers(DrawnPage $page, ReportDrawing $drawing): array
    {
        $numbers = [];
        foreach ($page->page->texts() as $in => $text) {
            foreach ($text->numbers() as $place => $number) {
                $numbers[] = self::number((string) $in, $place, $drawing->number($number));
            }
        }

        return $numbers;
    }

    /** @return array<string, mixed> */
    private static function number(string $in, int $place, NumberNow $number): array
    {
        return [
            'in' => $in,
            'place' => $place,
            'said' => $number->number->said,
            'shown' => $number->shown(),
            'now' => $number->now,
            'exact' => $number->exact,
            'isStale' => $number->isStale(),
            'from' => $number->says,
        ];
    }

    /**
     * @param list<Mark> $marks
     *
     * @return list<array<string, mixed>>
     */
    private static function marks(array $marks): array
    {
        return array_map(static fn (Mark $mark): array => $mark->toArray(), $marks);
    }
}
