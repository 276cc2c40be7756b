<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\GapLine;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Kind\ComparisonKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Comparison\ComparisonWorkings;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Rows\Scope;

/** Values and reference as lines, and the gap between them. */
final readonly class GapLine extends ComparisonKind
{
    private const MOST_PERIODS = 60;

    public function id(): string
    {
        return 'gap-line';
    }

    public function name(): string
    {
        return 'Gap line';
    }

    public function says(): string
    {
        return 'Two lines and the gap between them, for up to 60 periods';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return $dataset->isTimeless() ? 'The figures have no periods.' : parent::lacks($dataset);
    }

    /** By the finest grain that it has room for. */
    public function adapted(Question $question, Dataset $dataset): Question
    {
        $compared = parent::adapted($question, $dataset);
        $asked = $compared->grain();
        if (null !== $asked && self::count($compared, $dataset, $asked) <= self::MOST_PERIODS) {
            return $compared;
        }
        foreach ($dataset->grain->coarser() as $grain) {
            if (Grain::Day !== $grain && self::count($compared, $dataset, $grain) <= self::MOST_PERIODS) {
                return $compared->asking(by: $grain);
            }
        }

        return $compared->asking(by: Grain::Year);
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        if (null === $question->grain()) {
            $grains = array_map(static fn (Grain $grain): string => $grain->value, $dataset->grain->coarser());

            throw new NotAccepted(
                'question.by', 'A gap line runs through periods; ask by '.Wording::either($grains).'.',
            );
        }
    }

    public function rows(Question $question): RowChoices
    {
        return new RowChoices(hasMembers: false);
    }

    public function options(): array
    {
        return ['variance'];
    }

    public function usualVariance(): VarianceForm
    {
        return VarianceForm::Percent;
    }

    public function glyph(): array
    {
        $reference = [[1.0, 16.0], [10.0, 13.0], [16.0, 9.0], [25.0, 2.0]];
        $values = [[1.0, 15.0], [10.0, 9.0], [16.0, 10.0], [25.0, 8.0]];

        return [
            new Rect(8.0, 9.0, 3.0, 4.0, Ink::Favourable->value),
            new Rect(20.0, 3.0, 3.0, 5.0, Ink::Unfavourable->value),
            new Path($reference, null, Ink::PriorYear->value, 1.6),
            new Path($values, null, Ink::Ink->value, 2.0),
        ];
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        $dataset = $figures->dataset();
        $measure = RecipeFit::insist($recipe, $dataset);
        $scope = Scope::of($recipe->question, $dataset, $measure, $measure->sources());
        if (\count($scope->rowPeriods($recipe->question->grain() ?? $dataset->grain)) > self::MOST_PERIODS) {
            throw new NotAccepted(
                'question.span',
                'A gap line shows '.
                    self::MOST_PERIODS.
                    ' periods at most; ask for fewer of them, or by a coarser grain.',
            );
        }

        return ComparisonWorkings::of($recipe, $figures);
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $form = $finish->variance ?? $this->usualVariance();

        return TierChart::frame(
            $workings,
            $finish,
            $options,
            new TierPlan(static fn (array $rows): array => [new LineTier($workings, $rows, $form)], mayTurn: false),
        );
    }

    /** How many periods of a grain the question is about. */
    private static function count(Question $question, Dataset $dataset, Grain $grain): int
    {
        $closing = $question->closedThrough ?? $dataset->closing();
        $range =
            null === $question->span
                ? $dataset->range()
                : $question->span->resolve($closing, $dataset->calendar, $dataset->range());

        return \count($range->belonging($grain, $dataset->calendar));
    }
}
