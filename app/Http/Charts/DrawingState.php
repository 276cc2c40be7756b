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
use KeenMargin\Core\Question\Fit\KindNeeds;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Sentence\QuestionSentence;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Checks\MessageCheck;
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

        return [
            'recipe' => RecipeWriter::toArray($recipe),
            'sentence' => QuestionSentence::of(
                $recipe,
                $dataset,
                $workings->measure,
                $workings->better,
                $workings->range,
            ),
            'better' => $workings->better->value,
            'closing' => DatasetState::step($dataset, $workings->closing),
            'scene' => $drawing->scene->toArray(),
            'reading' => [
                'headline' => $workings->reading->headline,
                'moves' => $workings->reading->moves,
                'movers' => $workings->reading->movers,
                'statements' => array_map(
                    static fn (Sentence $statement): array => $statement->toArray(),
                    $workings->reading->statements,
                ),
            ],
            'checks' => array_map(static fn (Check $check): array => $check->toArray(), $drawing->checks()),
            'workings' => self::table($workings),
            'kinds' => self::kinds($recipe, $kinds, $dataset),
            'stale' => null === $recipe->finish->message ? [] : MessageCheck::stale($recipe->finish->message, $workings),
        ];
    }

    /**
     * Every kind, with what the figures lack for it and the question that it would ask.
     *
     * @return list<array<string, mixed>>
     */
    private static function kinds(Recipe $recipe, ChartKinds $kinds, Dataset $dataset): array
    {
        $needs = new KindNeeds($dataset);

        return array_map(static function (ChartKind $kind) use ($recipe, $needs): array {
            $lacks = $needs->lacks($kind->id());

            return [
                'id' => $kind->id(),
                'name' => $kind->name(),
                'group' => $kind->group(),
                'says' => $kind->says(),
                'lacks' => $lacks,
                'question' => null === $lacks ? RecipeWriter::question($needs->adapted($kind->id(), $recipe->question)) : null,
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
            'unit' => $workings->display->unitText(),
            'rowsAre' => $workings->by instanceof Grain ? 'Period' : $workings->by,
            'columns' => array_map(
                static fn (Column $column): array => [
                    'id' => $column->id(),
                    'head' => $column->head,
                    'rule' => $column->rule,
                    'reference' => $column->form->isOfVariance() ? $column->key : null,
                ],
                $workings->columns,
            ),
            'rows' => array_map(static fn (Row $row): array => self::row($row, $workings), $workings->rows),
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
            array_keys($workings->sums()),
            array_values($workings->sums()),
        );
    }

    /** @return array<string, string> by column */
    private static function cells(Workings $workings, Row|Total $of): array
    {
        $cells = [];
        foreach ($workings->columns as $column) {
            $cells[$column->id()] = $workings->told($column, $of);
        }

        return $cells;
    }

    /** @return array<string, ?string> by column */
    private static function effects(Row $row, Workings $workings): array
    {
        $effects = [];
        foreach ($workings->columns as $column) {
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
        foreach ($workings->columns as $column) {
            // Of actual and forecast one is enough.
            $isOther =
                null !== $row->shown
                && \in_array($column->key, [$workings->scenario->value, $workings->forecast?->value], true);
            if (null === $column->number($row) && !$column->form->isOfVariance() && !$isOther) {
                $cells[$column->id()] = $row->countsAsNothing($column->key) ? NumberFormat::NONE : 'missing';
            }
        }

        return [
            'key' => $row->key,
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
            'flagged' => $row->variance($workings->reference())->flagged ?? false,
        ];
    }
}
