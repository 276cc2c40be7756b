<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Fit\AimFit;
use KeenMargin\Core\Question\Near\BandForm;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Workings\Near\TargetedRows;
use KeenMargin\Core\Workings\Near\TargetedRowWriter;
use KeenMargin\Core\Workings\Near\TargetedWorkings;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;

/** What kinds have in common that show how near values are to their targets, before bands. */
abstract readonly class TargetedKind implements ChartKind
{
    public function group(): string
    {
        return 'How near';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return $dataset->isTimeless() && [] === $dataset->breakdowns ? 'The figures have no periods.' : null;
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return With::of($question, [
            'cumulate' => null,
            'landing' => false,
            'target' => TargetedRows::target($question, $dataset),
        ]);
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        AimFit::insist($question->target, $question, $dataset, 'question.target', 'target');
        $isOfTarget = BandForm::PercentOfTarget === $question->bands?->form;
        if ($isOfTarget && null === TargetedRows::target($question, $dataset)) {
            throw new NotAccepted('question.bands', 'Bands in percent of the target need a target.');
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

    public function words(Question $question, Measure $measure): QuestionWords
    {
        $target = self::aim($question->target);

        return new QuestionWords(
            [new SentencePart('How near is '), new SentencePart(Wording::withinSentence($measure->name), 'measure')],
            ' of ',
            ' in ',
            [
                new SentencePart(' to '),
                new SentencePart($target, 'aim'),
                new SentencePart(', with '),
                new SentencePart(self::bands($question->bands), 'bands'),
            ],
        );
    }

    private static function aim(?Target $target): string
    {
        return match (true) {
            null !== $target?->number => NumberFormat::exactly($target->number),
            null !== $target?->scenario => $target->scenario->word(),
            null !== $target?->measure => Wording::withinSentence($target->measure),
            default => 'its target',
        };
    }

    /** `bands to 60, 75 and 90` */
    private static function bands(?Bands $bands): string
    {
        if (null === $bands) {
            return 'bands as given';
        }
        $numbers = array_map(NumberFormat::exactly(...), $bands->limits);
        $unit = BandForm::PercentOfTarget === $bands->form ? ' % of target' : '';

        return 'bands to '.Wording::and($numbers).$unit;
    }

    public function usualVariance(): ?VarianceForm
    {
        return null;
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return TargetedWorkings::of($recipe, $figures);
    }

    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array
    {
        return [];
    }

    public function rowWriter(): RowWriter
    {
        return new TargetedRowWriter();
    }
}
