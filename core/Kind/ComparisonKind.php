<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Workings\Comparison\ComparisonWorkings;
use KeenMargin\Core\Workings\Result\ComparedRowWriter;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;

/** What kinds have in common that compare the shown scenario with references. */
abstract readonly class ComparisonKind implements ChartKind
{
    private const NO_REFERENCE = 'A second scenario to compare with is missing: a budget, a target or a prior year.';

    public function group(): string
    {
        return 'Against';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return match (true) {
            $dataset->isTimeless() && [] === $dataset->breakdowns => 'The figures have no periods.',
            \count($dataset->scenarios()) < 2 => self::NO_REFERENCE,
            default => null,
        };
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return false;
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return self::compared($question, $dataset, []);
    }

    public function insist(Question $question, Dataset $dataset): void {}

    public function required(): array
    {
        return [];
    }

    public function rows(Question $question): RowChoices
    {
        return new RowChoices(canLand: true);
    }

    public function words(Question $question, Measure $measure): QuestionWords
    {
        return QuestionWords::comparison($question, $measure);
    }

    public function usualVariance(): VarianceForm
    {
        return VarianceForm::Amount;
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return ComparisonWorkings::of($recipe, $figures);
    }

    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array
    {
        return [];
    }

    public function rowWriter(): RowWriter
    {
        return new ComparedRowWriter();
    }

    public function scaleWords(): string
    {
        return 'One scale for all scenarios';
    }

    /**
     * The question with a reference, if the dataset has any.
     *
     * @param list<Scenario> $rather references that the kind prefers
     */
    public static function compared(Question $question, Dataset $dataset, array $rather): Question
    {
        $there = array_values(array_filter(
            $dataset->scenarios(),
            static fn (Scenario $scenario): bool => $scenario !== $question->scenario,
        ));
        $wanted = array_values(array_filter(
            [...$rather, Scenario::Budget, Scenario::Target, Scenario::PriorYear, ...$there],
            static fn (Scenario $scenario): bool => \in_array($scenario, $there, true),
        ));

        return [] === $question->against && [] !== $wanted ? $question->asking(against: [$wanted[0]]) : $question;
    }
}
