<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bullet;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\FinishOption;
use KeenMargin\Core\Question\Near\BandForm;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Question\VarianceForm;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Near\TargetedRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;

/** How near each value is to its target, with the bands that it is judged by behind it. */
final readonly class Bullet implements ChartKind
{
    public function id(): string
    {
        return 'bullet';
    }

    public function name(): string
    {
        return 'Bullet';
    }

    public function group(): string
    {
        return 'How near';
    }

    public function says(): string
    {
        return 'Each value on its way to its target, before bands of how good it is';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return $dataset->isTimeless() && [] === $dataset->breakdowns ? 'The figures have no periods.' : null;
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return [] !== TargetedRows::bandMeasures($dataset);
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
        $measure = $question->target?->measure;
        $names = array_map(static fn (Measure $one): string => $one->name, $dataset->measures);
        if (null !== $measure && !\in_array($measure, $names, true)) {
            throw new NotAccepted(
                'question.target.measure',
                "There is no \"$measure\"; there are ".implode(', ', $names).'.',
            );
        }
        if ($question->target?->scenario === $question->scenario) {
            throw new NotAccepted(
                'question.target.scenario',
                'What is shown cannot be its own target; choose another scenario.',
            );
        }
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
        return new RowChoices();
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
                new SentencePart($target, 'goal'),
                new SentencePart(', with '),
                new SentencePart(self::bands($question->bands), 'bands'),
            ],
        );
    }

    private static function aim(?Target $target): string
    {
        return match (true) {
            null !== $target?->number => $target->number->toString(),
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
        $numbers = array_map(static fn (BigDecimal $number): string => $number->toString(), $bands->limits);
        $unit = BandForm::PercentOfTarget === $bands->form ? ' % of target' : '';

        return 'bands to '.Wording::and($numbers).$unit;
    }

    public function options(): array
    {
        return [FinishOption::Turn];
    }

    public function usualVariance(): ?VarianceForm
    {
        return null;
    }

    public function glyph(): array
    {
        $marks = [];
        foreach ([[3.0, 15.0, 17.0], [13.0, 19.0, 15.0]] as [$y, $value, $target]) {
            array_push(
                $marks,
                new Rect(1.0, $y, 13.0, 7.0, Ink::Band1->value),
                new Rect(14.0, $y, 9.0, 7.0, Ink::Band3->value),
                new Rect(1.0, $y + 2.0, $value, 3.0, Ink::Ink->value),
                new Rect(1.0 + $target, $y + 0.5, 1.6, 6.0, Ink::Ink->value),
            );
        }

        return $marks;
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return BulletWorkings::of($recipe, $figures);
    }

    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array
    {
        return [];
    }

    public function rowWriter(): RowWriter
    {
        return new BulletRowWriter();
    }

    public function scaleWords(): string
    {
        return 'One scale for all values';
    }

    public function scene(Workings $workings, Finish $finish, ChartOptions $options): Scene
    {
        $tiers = static fn (array $rows): array => [
            new BulletTier(
                $workings,
                array_values(array_filter($rows, static fn (mixed $row) => $row instanceof Row)),
            ),
        ];

        return TierChart::scene($workings, $finish, $options, new TierPlan($tiers));
    }
}
