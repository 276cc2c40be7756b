<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Fit\AimFit;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;

/** Rows of numbers with small marks beside them: amounts, variances, shares, progress and trends. */
final readonly class ComparisonTable implements ChartKind
{
    public function id(): string
    {
        return 'comparison-table';
    }

    public function name(): string
    {
        return 'Comparison table';
    }

    public function group(): string
    {
        return 'How near';
    }

    public function says(): string
    {
        return 'Numbers in columns with bars, pins, progress and trends, sorted by any of them';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return $dataset->isTimeless() && [] === $dataset->breakdowns ? 'The figures have no periods.' : null;
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return false;
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return $question;
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        foreach ($question->columns as $i => $column) {
            if ($column->isOfVariance() && $column->scenario === $question->scenario) {
                throw new NotAccepted("question.columns[$i]", 'What is shown has no variance against itself.');
            }
        }
        AimFit::insist($question->goal->aim, $question, $dataset, 'question.goal', 'goal');
        $columns = TableColumns::of($question, $dataset)->list;
        $names = array_map(static fn (TableColumn $one): string => $one->name(), $columns);
        $sort = $question->sort?->column->name();
        if (null !== $sort && !\in_array($sort, $names, true)) {
            throw new NotAccepted(
                'question.sort', "The table has no column \"$sort\"; it has ".Wording::some($names, 12).'.',
            );
        }
    }

    public function required(): array
    {
        return [];
    }

    public function rows(Question $question): RowChoices
    {
        return new RowChoices(canBeWhole: true);
    }

    /** `How does net revenue of … in … stand, as AC, BU, ΔBU, sorted by ΔBU` */
    public function words(Question $question, Measure $measure): QuestionWords
    {
        $names = array_map(static fn (TableColumn $column): string => $column->name(), $question->columns);
        $sort = $question->sort;
        $order = match (true) {
            null === $sort => 'in the order of the rows',
            $sort->isLargestFirst => "by {$sort->column->name()}, largest first",
            default => "by {$sort->column->name()}, smallest first",
        };

        return new QuestionWords(
            [new SentencePart('How does '), new SentencePart(Wording::withinSentence($measure->name), 'measure')],
            ' of ',
            ' in ',
            [
                new SentencePart(' stand, in the columns '),
                new SentencePart([] === $names ? 'as usual' : Wording::some($names, 6), 'columns'),
                ...[] === $names
                    ? [new SentencePart(' against '), new SentencePart(self::against($question), 'against')]
                    : [],
                new SentencePart(', sorted '),
                new SentencePart($order, 'sort'),
            ],
        );
    }

    private static function against(Question $question): string
    {
        $words = array_map(static fn ($scenario): string => $scenario->word(), $question->against);

        return [] === $words ? 'nothing yet' : Wording::and($words);
    }

    public function options(): array
    {
        return ['limit'];
    }

    public function usualVariance(): ?VarianceForm
    {
        return null;
    }

    public function glyph(): array
    {
        $marks = [];
        foreach ([2.0, 8.0, 14.0] as $i => $y) {
            $ink = 1 === $i ? Ink::Unfavourable : Ink::Favourable;
            $width = [7.0, 4.0, 5.0][$i];
            array_push(
                $marks,
                new Rect(0.5, $y + 1.0, 6.0, 2.0, Ink::Quiet->value),
                new Rect(9.0, $y + 1.0, 4.0, 2.0, Ink::Ink->value),
                new Rect(1 === $i ? 17.5 - $width : 17.5, $y, $width, 4.0, $ink->value),
            );
        }
        $marks[] = new Rect(0.5, 19.6, 24.0, 0.8, Ink::PriorYear->value);

        return $marks;
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return TableWorkings::of($recipe, $figures);
    }

    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array
    {
        return [];
    }

    public function rowWriter(): RowWriter
    {
        return new TableRowWriter();
    }

    public function scaleWords(): string
    {
        return 'One scale for all columns of one unit';
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        return (new TableScene($workings, $finish, $options))->frame();
    }
}
