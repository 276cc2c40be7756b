<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Hat;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;

/** Two members compared with each other, group by group. */
final readonly class HatGraph implements ChartKind
{
    public function id(): string
    {
        return 'hat';
    }

    public function name(): string
    {
        return 'Hat graph';
    }

    public function group(): string
    {
        return 'Between';
    }

    public function says(): string
    {
        return 'From one member to another, in each group or period';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return (new HatQuestion($dataset))->lacks();
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return false;
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return (new HatQuestion($dataset))->adapted($question);
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        (new HatQuestion($dataset))->between($question);
    }

    public function required(): array
    {
        return ['between'];
    }

    public function rows(Question $question): RowChoices
    {
        return new RowChoices(taken: $question->between?->field);
    }

    public function words(Question $question, Measure $measure): QuestionWords
    {
        $between = $question->between;
        $sides =
            null === $between
                ? 'two members'
                : HatWorkings::name($between->first).' and '.HatWorkings::name($between->second);
        $against = [new SentencePart(' differ between '), new SentencePart($sides, 'between')];

        return new QuestionWords(QuestionWords::howDid($measure), ' of ', ' in ', $against, $between?->field);
    }

    public function options(): array
    {
        return ['variance', 'cut', 'turn'];
    }

    public function usualVariance(): VarianceForm
    {
        return VarianceForm::Amount;
    }

    public function glyph(): array
    {
        return [
            new Rect(6.0, 4.0, 5.0, 8.0, Ink::Favourable->value),
            new Rect(19.0, 8.0, 5.0, 6.0, Ink::Unfavourable->value),
            new Rect(1.0, 11.0, 10.0, 2.0, Ink::Ink->value),
            new Rect(14.0, 7.0, 10.0, 2.0, Ink::Ink->value),
        ];
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return HatWorkings::of($recipe, $figures);
    }

    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array
    {
        return [];
    }

    public function rowWriter(): RowWriter
    {
        return new HatRowWriter();
    }

    public function scaleWords(): string
    {
        return 'One scale for both';
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $cut = TotalsCut::of($workings, $finish);
        $form = $finish->variance ?? $this->usualVariance();
        $first = $workings->table->reference()->short ?? '';
        $second = $workings->table->maybeColumn('second')->head ?? '';
        $explanations = ["from $first (the line) to $second (the block)"];

        return TierChart::frame(
            $workings,
            $finish,
            $options,
            new TierPlan(
                static fn (array $rows): array => [new HatTier($workings, $rows, $form, $cut)],
                [],
                $explanations,
            ),
        );
    }
}
