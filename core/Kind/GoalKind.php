<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Fit\AimFit;
use KeenMargin\Core\Question\Fit\QuestionFit;
use KeenMargin\Core\Question\Near\Goal;
use KeenMargin\Core\Question\Near\Pace;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Workings\Near\GoalRowWriter;
use KeenMargin\Core\Workings\Near\GoalWorkings;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;

/** What kinds have in common that show how far values are on their way to goals. */
abstract readonly class GoalKind implements ChartKind
{
    public function group(): string
    {
        return 'How near';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return $dataset->isTimeless() && [] === $dataset->breakdowns ? 'The figures have no periods.' : null;
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return false;
    }

    /** A value at the closing period is no running total, and has no forecast. */
    public function adapted(Question $question, Dataset $dataset): Question
    {
        return With::of($question, ['cumulate' => null, 'landing' => false, 'forecast' => null]);
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        $aim = $question->goal->aim;
        AimFit::insist($aim, $question, $dataset, 'question.goal', 'goal');
        if (true === $aim?->isTotal && $question->isWhole()) {
            throw new NotAccepted(
                'question.goal',
                'All together is the whole of the total; ask by a breakdown for shares, or set a goal.',
            );
        }
        $layers = $question->goal->layers;
        if (null !== $layers) {
            QuestionFit::breakdown($layers, $dataset, 'question.layers');
            QuestionFit::refuseIf(
                $layers === $question->breakdown() || null !== $question->grain() || null !== $question->each,
                'question.layers',
                'Layers need another breakdown than the rows, and rows that are no periods; ask all together, or by '.
                    'a breakdown, in one chart.',
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

    /** `How far is contribution of all sources in … on the way to 2,000,000, against the time elapsed` */
    public function words(Question $question, Measure $measure): QuestionWords
    {
        $isLess = Better::Less === ($question->better ?? $measure->better());
        $isLimit = $isLess && null !== $question->goal->aim && !$question->goal->aim->isTotal;

        return new QuestionWords(
            [new SentencePart('How far is '), new SentencePart(Wording::withinSentence($measure->name), 'measure')],
            ' of ',
            ' in ',
            [
                new SentencePart($isLimit ? ' on the way to the limit of ' : ' on the way to '),
                new SentencePart(self::aim($question->goal->aim), 'goal'),
                new SentencePart(', against '),
                new SentencePart(self::pace($question->goal), 'pace'),
                ...$this->layers($question->goal),
            ],
        );
    }

    /**
     * Parts of the sentence that say what values are put together of.
     *
     * @return list<SentencePart>
     */
    protected function layers(Goal $goal): array
    {
        return [];
    }

    private static function aim(?Target $aim): string
    {
        return match (true) {
            true === $aim?->isTotal => 'the total',
            null !== $aim?->number => NumberFormat::exactly($aim->number),
            null !== $aim?->scenario => $aim->scenario->word(),
            null !== $aim?->measure => Wording::withinSentence($aim->measure),
            default => 'its goal',
        };
    }

    private static function pace(Goal $goal): string
    {
        return match (true) {
            null === $goal->pace => 'the usual pace',
            $goal->pace->isElapsed => 'the time elapsed',
            default => self::phased($goal->pace),
        };
    }

    private static function phased(Pace $pace): string
    {
        return null === $pace->scenario ? 'no pace' : "{$pace->scenario->word()} to date";
    }

    public function usualVariance(): ?VarianceForm
    {
        return null;
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return GoalWorkings::of($recipe, $figures);
    }

    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array
    {
        return [];
    }

    public function rowWriter(): RowWriter
    {
        return new GoalRowWriter();
    }
}
