<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Fit;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Question;

/** Whether what is shown can be held against a target or goal. */
final class AimFit
{
    /**
     * @param string $path `question.target`, `question.goal`
     * @param string $word `target`, `goal`
     *
     * @throws NotAccepted
     */
    public static function insist(?Target $aim, Question $question, Dataset $dataset, string $path, string $word): void
    {
        if (null !== $aim?->scenario && $aim->scenario === $question->scenario) {
            throw new NotAccepted("$path.scenario", "What is shown cannot be its own $word; choose another scenario.");
        }
        if (null === $aim?->measure) {
            return;
        }
        $measure = QuestionFit::measure($aim->measure, $dataset, "$path.measure");
        $shown = self::shown($question, $dataset);
        QuestionFit::refuseIf(
            $measure->name === $shown->name, "$path.measure", "A measure cannot be its own $word; choose another one.",
        );
        QuestionFit::refuseIf(
            !self::isOfOneUnit($measure, $shown),
            "$path.measure",
            "{$measure->name} is ".self::unit($measure).", {$shown->name} ".self::unit($shown).
                "; a $word has to be in the same unit.",
        );
    }

    public static function shown(Question $question, Dataset $dataset): Measure
    {
        return $dataset->maybeMeasure($question->measure ?? '') ?? $dataset->measures[0];
    }

    /** Whether two measures count the same, so that one can be held against the other. */
    public static function isOfOneUnit(Measure $one, Measure $other): bool
    {
        return self::unit($one) === self::unit($other);
    }

    /** `in EUR`, `in %`, `in no unit` */
    private static function unit(Measure $measure): string
    {
        return match (true) {
            $measure->isInPercent() => 'in %',
            '' === $measure->unit => 'in no unit',
            default => "in {$measure->unit}",
        };
    }
}
