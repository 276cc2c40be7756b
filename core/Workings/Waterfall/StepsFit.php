<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Question\Fit\QuestionFit;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Question\Waterfall\SubtotalsAt;
use KeenMargin\Core\Time\Grain;

/** Whether steps of a waterfall can lead from one total to the other. */
final class StepsFit
{
    /**
     * Steps have to add up: over members of what is added up, or of a ratio whose parts are known; over periods of
     * sums.
     *
     * @param bool $mayBeRatio whether members of a ratio may be steps
     *
     * @throws NotAccepted
     */
    public static function insist(Question $question, Dataset $dataset, bool $mayBeRatio): void
    {
        QuestionFit::refuseIf(
            null !== $question->cumulate, 'question.cumulate', 'A waterfall is a running total itself; leave it out.',
        );
        $measure = self::measure($question, $dataset);
        $isOverPeriods = null !== $question->grain();
        // A balance moves from period to period; else only sums are made of periods.
        $groupings = $question->bridge instanceof BalanceBridge ? [Grouping::Sum, Grouping::Last] : [Grouping::Sum];
        $addsUp = $isOverPeriods
            ? \in_array($measure->grouping, $groupings, true) && OverMembers::Sum === $measure->overMembers
            : ($mayBeRatio && $measure->isRatio()) || $measure->isAddedOverMembers();
        QuestionFit::refuseIf(
            !$addsUp,
            'question.by',
            "{$measure->name} is not added up over ".
                ($isOverPeriods ? 'periods' : 'members').
                ', so that steps would not lead to a total; ask '.
                ($isOverPeriods ? 'by the members of a breakdown' : 'by month').
                ', or of another measure.',
        );
        foreach ($question->opened as $i => $opened) {
            $path = "question.opened[$i].by";
            if ($opened->by instanceof Grain) {
                QuestionFit::refuseIf($dataset->isTimeless(), $path, 'The figures have no periods.');
            } else {
                QuestionFit::breakdown($opened->by, $dataset, $path);
            }
            QuestionFit::refuseIf(
                $opened->by === $question->by && null === $question->drivers,
                $path,
                'The steps are by that already; open them by another breakdown.',
            );
        }
        QuestionFit::refuseIf(
            $isOverPeriods && SubtotalsAt::Group === $question->subtotals->at,
            'question.subtotals',
            'Periods stand in no groups; give quarter, half-year or year.',
        );
    }

    public static function measure(Question $question, Dataset $dataset): Measure
    {
        return $dataset->maybeMeasure($question->measure ?? ($question->drivers->value ?? '')) ?? $dataset->measures[0];
    }
}
