<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Http\Figures\DatasetState;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\FinishOption;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Sentence\QuestionSentence;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Checks\MessageCheck;
use KeenMargin\Core\Workings\Checks\StaleNumber;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Workings;

/** A drawing as the page needs it: every number already written out. */
final class DrawingState
{
    /** @return array<string, mixed> */
    public static function of(Recipe $recipe, Drawing $drawing, Dataset $dataset, ChartKinds $kinds): array
    {
        $workings = $drawing->workings;
        $context = $workings->context;
        $message = $recipe->finish->message;
        $sentence = QuestionSentence::of($recipe, $dataset, $context->measure(), $context->better, $context->range);

        return [
            'recipe' => RecipeWriter::toArray($recipe),
            'sentence' => array_map(static fn (SentencePart $part): array => $part->toArray(), $sentence),
            'better' => $workings->context->better->value,
            'closing' => DatasetState::step($dataset, $workings->context->closing),
            'scene' => $drawing->scene->toArray(),
            'summary' => [
                'headline' => $workings->summary->headline,
                'moves' => $workings->summary->moves,
                'movers' => $workings->summary->movers,
                'sentences' => array_map(
                    static fn (Sentence $sentence): array => $sentence->toArray(),
                    $workings->summary->sentences,
                ),
            ],
            'checks' => array_map(static fn (Check $check): array => $check->toArray(), $drawing->checks()),
            'workings' => self::table($workings),
            'kinds' => self::kinds($recipe, $kinds, $dataset),
            'stale' => array_map(
                static fn (StaleNumber $one): array => $one->toArray(),
                null === $message ? [] : MessageCheck::stale($message, $workings),
            ),
        ];
    }

    /**
     * Every kind, with what the figures lack for it and the question that it would ask.
     *
     * @return list<array<string, mixed>>
     */
    private static function kinds(Recipe $recipe, ChartKinds $kinds, Dataset $dataset): array
    {
        return array_map(static function (ChartKind $kind) use ($recipe, $dataset): array {
            $lacks = $kind->lacks($dataset);
            $adapted = null === $lacks ? $kind->adapted($recipe->question, $dataset) : null;

            return [
                'id' => $kind->id(),
                'name' => $kind->name(),
                'group' => $kind->group(),
                'says' => $kind->says(),
                'glyph' => array_map(static fn (Mark $mark): array => $mark->toArray(), $kind->glyph()),
                'lacks' => $lacks,
                'question' => null === $adapted ? null : RecipeWriter::question($adapted),
                'rows' => $kind->rows($recipe->question)->toArray(),
                'options' => array_map(static fn (FinishOption $option): string => $option->value, $kind->options()),
                'usualVariance' => $kind->usualVariance()?->value,
            ];
        }, $kinds->list());
    }

    /**
     * Columns with their heads and rules, rows with their cells as text.
     *
     * @return array<string, mixed>
     */
    private static function table(Workings $workings): array
    {
        return [
            'unit' => $workings->context->display->unitText(),
            'rowsAre' => $workings->context->by instanceof Grain ? 'Period' : $workings->context->by,
            'columns' => array_map(
                static fn (Column $column): array => [
                    'id' => $column->id(),
                    'head' => $column->head,
                    'rule' => $column->rule,
                    'reference' => $column->form->isOfVariance() ? $column->key : null,
                ],
                $workings->table->columns,
            ),
            'rows' => array_map(static fn (Row $row): array => self::row($row, $workings), $workings->table->rows),
            'sums' => self::sums($workings),
        ];
    }

    /** @return list<array{key: string, label: string, cells: array<string, string>}> */
    private static function sums(Workings $workings): array
    {
        return array_map(
            static fn (string $key, Total $total): array => [
                'key' => $key,
                'label' => Workings::SUMS[$key] ?? $key,
                'cells' => self::cells($workings, $total),
            ],
            array_keys($workings->table->sums()),
            array_values($workings->table->sums()),
        );
    }

    /** @return array<string, string> by column */
    private static function cells(Workings $workings, Row|Total $of): array
    {
        $cells = [];
        foreach ($workings->table->columns as $column) {
            $cells[$column->id()] = $workings->told($column, $of);
        }

        return $cells;
    }

    /** @return array<string, ?string> by column */
    private static function effects(Row $row, Workings $workings): array
    {
        $effects = [];
        foreach ($workings->table->columns as $column) {
            if ($column->form->isOfVariance()) {
                $effects[$column->id()] = $workings->effectOf($column, $row)?->value;
            }
        }

        return $effects;
    }

    /** @return array<string, string> by reference, the periods that are compared where the row has others */
    private static function only(Row $row): array
    {
        $only = [];
        foreach (array_keys($row->variances) as $reference) {
            $only[$reference] = $row->comparesOnly($reference);
        }

        return array_filter($only);
    }

    /** @return array<string, mixed> */
    private static function row(Row $row, Workings $workings): array
    {
        $cells = self::cells($workings, $row);
        foreach ($workings->table->columns as $column) {
            // Of actual and forecast one is enough.
            $isOther =
                null !== $row->shown
                && \in_array(
                    $column->key,
                    [$workings->context->scenario->value, $workings->context->forecast?->value],
                    true,
                );
            if (null === $column->number($row) && !$column->form->isOfVariance() && !$isOther) {
                $cells[$column->id()] = $row->countsAsNothing($column->key) ? NumberFormat::NONE : 'missing';
            }
        }

        return [
            'key' => $row->key->id,
            'ref' => $row->key->toJson(),
            'label' => $row->label,
            'role' => $row->role->value,
            'depth' => $row->depth,
            'panel' => $row->panel,
            'shown' => $row->shownScenario?->value,
            'cells' => $cells,
            'effects' => (object) self::effects($row, $workings),
            'only' => (object) self::only($row),
            'flags' => (object) array_map(
                static fn (?Variance $variance): bool => $variance->flagged ?? false,
                $row->variances,
            ),
            'flagged' => $row->variance($workings->table->reference())->flagged ?? false,
        ];
    }
}
