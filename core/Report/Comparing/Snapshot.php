<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Comparing;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Sentence\QuestionSentence;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Drawing\AskedChart;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Words\RowPhrases;

/**
 * Every number, text and note behind the pages of a report at one moment, as plain data:
 *
 *     {"closing": "2026-07", "pages": [{"id", "title", "message", "texts": {block: text},
 *       "charts": {id: {"what", "block", "closes", "headline", "asks", "question", "unit", "better", "title", "rows":
 *       [{"key", "label", "ends", "cells": {column: [head, exact, told]}}], "notes": {id: text}}}}]}
 *
 * `closes` and `ends` are the last days of the closing period and of a row's own period; `asks` is the question as
 * JSON, without its closing period, and `question` the same as a sentence.
 */
final class Snapshot
{
    /** @return array<string, mixed> */
    public static function of(ReportDrawing $drawing): array
    {
        return [
            'title' => $drawing->report->title,
            'closing' => $drawing->maybeClosing()?->key() ?? '',
            'pages' => array_map(static fn (Page $page): array => self::page($page, $drawing), $drawing->report->pages),
        ];
    }

    /** @return array<string, mixed> */
    private static function page(Page $page, ReportDrawing $drawing): array
    {
        $texts = array_map($drawing->said(...), $page->texts());
        $charts = [];
        foreach ($page->blocks() as $block) {
            $ids = $block instanceof FiguresBlock
                ? array_map(static fn ($figure): string => $figure->id, $block->figures)
                : [$block->id()];
            foreach (array_intersect($ids, $drawing->ids($page)) as $id) {
                try {
                    $charts[$id] = ['block' => $block->id()] + self::chart($id, $drawing);
                } catch (NotAccepted) {
                    // What cannot be drawn has no numbers.
                }
            }
        }

        return [
            'id' => $page->id,
            'title' => $page->title,
            'message' => $texts[''],
            'texts' => array_diff_key($texts, ['' => true]),
            'charts' => $charts,
        ];
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted where it cannot be answered
     */
    private static function chart(string $id, ReportDrawing $drawing): array
    {
        $asked = $drawing->asked($id);
        $workings = $drawing->workings($id);
        $notes = [];
        foreach ($drawing->library()->notes($asked->dataset, $asked->recipe->question)->in($workings) as $note) {
            $notes[$note->id] = $note->text;
        }
        $rows = array_map(
            static fn (Row $row): array => self::row($row->key->id, $row->label, $row->period, $row, $workings),
            $workings->table->rows,
        );
        foreach ($workings->table->sums() as $key => $sum) {
            $rows[] = self::row($key, Workings::SUMS[$key] ?? $key, null, $sum, $workings);
        }

        $recipe = $asked->recipe;
        $asks = RecipeWriter::question(With::of($recipe->question, ['closedThrough' => null]));

        return [
            'what' => $workings->context->subject,
            'asks' => json_encode([$recipe->kind->id(), $asks], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
            'question' => self::sentence($asked, $workings),
            'unit' => $workings->context->measure()->unit,
            'better' => $workings->context->better->value,
            'title' => implode(
                ' · ',
                array_filter([$recipe->finish->message?->text, ...array_values($recipe->finish->title->told())]),
            ),
            'closes' => $workings->context->closing->lastDay(),
            'headline' => $workings->summary->headline['row'],
            'rows' => $rows,
            'notes' => $notes,
        ];
    }

    private static function sentence(AskedChart $asked, Workings $workings): string
    {
        $context = $workings->context;
        $parts = QuestionSentence::of(
            $asked->recipe, $asked->figures->dataset(), $context->measure(), $context->better, $context->range,
        );

        return implode('', array_map(static fn (SentencePart $part): string => $part->text, $parts));
    }

    /** @return array<string, mixed> */
    private static function row(string $key, string $label, ?Period $period, Row|Total $of, Workings $workings): array
    {
        $cells = [];
        foreach ($workings->table->columns as $column) {
            $exact = RowPhrases::exact($column, $of);
            if ('' !== $exact) {
                $cells[$column->id()] = [$column->head, $exact, $workings->told($column, $of)];
            }
        }

        return ['key' => $key, 'label' => $label, 'ends' => $period?->lastDay(), 'cells' => $cells];
    }
}
