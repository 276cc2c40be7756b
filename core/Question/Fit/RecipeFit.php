<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Fit;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\Grain;

/**
 * Whether a dataset can answer a question; what it lacks is refused with its path and what there is.
 * A reference or forecast that has not come in yet is no reason to refuse: the chart stands, and a check says so.
 */
final class RecipeFit
{
    /** @throws NotAccepted */
    public static function insist(Recipe $recipe, Dataset $dataset): Measure
    {
        $question = $recipe->question;
        if ($dataset->isEmpty()) {
            throw new NotAccepted('question', 'There are no figures in the dataset. Bring some in.');
        }
        $measure = self::measure($question, $dataset);
        $scenarios = $dataset->scenarios();
        if (!\in_array($question->scenario, $scenarios, true)) {
            throw new NotAccepted(
                'question.scenario',
                "There are no {$question->scenario->word()} figures ({$question->scenario->value}); there are ".
                    self::codes($scenarios).
                    '.',
            );
        }
        self::span($question, $dataset);
        QuestionFit::rows($question, $dataset);
        QuestionFit::panels($question, $dataset);
        $recipe->kind->insist($question, $dataset);
        QuestionFit::refuseIf(
            $question->isProRata && !self::takesProRata($recipe, $dataset),
            'question.proRata',
            'Drivers, a bridge of a ratio and how full something is take whole figures only; leave it out.',
        );
        foreach ($question->where as $i => $filter) {
            self::filter($filter, $dataset, "question.where[$i]");
        }

        return $measure;
    }

    /** Whether a question can take a part of a figure: its kind keeps the wish. */
    public static function takesProRata(Recipe $recipe, Dataset $dataset): bool
    {
        $asked = With::of($recipe->question, ['isProRata' => true]);

        return $recipe->kind->adapted($asked, $dataset)->isProRata;
    }

    /**
     * Refuses the last three weeks of figures by month.
     *
     * @throws NotAccepted
     */
    private static function span(Question $question, Dataset $dataset): void
    {
        $unit = $question->span?->unit;
        if (null !== $unit && !$dataset->isTimeless() && !$unit->shows($dataset->grain)) {
            $accepted = Wording::either(
                array_map(static fn (Grain $grain): string => $grain->value, $dataset->grain->coarser()),
            );
            throw new NotAccepted('question.span.unit', "The figures are by {$dataset->grain->value}; give $accepted.");
        }
    }

    /**
     * Refuses a filter by what the dataset does not have.
     *
     * @throws NotAccepted
     */
    public static function filter(MemberFilter|NumberFilter $filter, Dataset $dataset, string $path): void
    {
        $filter instanceof NumberFilter
            ? self::number($filter, $dataset, $path)
            : self::members($filter, $dataset, $path);
    }

    /** @throws NotAccepted */
    private static function members(MemberFilter $filter, Dataset $dataset, string $path): void
    {
        $breakdown =
            $dataset->maybeBreakdown($filter->breakdown) ??
            throw new NotAccepted(
                "$path.field",
                "There is no breakdown \"{$filter->breakdown}\"; there are ".
                    Wording::some(self::names($dataset->breakdowns), 8).
                    '.',
            );
        $known = array_fill_keys($breakdown->members, true);
        foreach ($filter->members as $n => $member) {
            if (!isset($known[$member])) {
                throw new NotAccepted(
                    "$path.".($filter->keeps ? 'in' : 'notIn')."[$n]",
                    "{$breakdown->name} has no \"$member\"; it has ".Wording::some($breakdown->members, 8).'.',
                );
            }
        }
    }

    /**
     * A breakdown whose members are numbers, or another measure that stands at the same members and periods.
     *
     * @throws NotAccepted
     */
    private static function number(NumberFilter $filter, Dataset $dataset, string $path): void
    {
        if (true === $dataset->maybeBreakdown($filter->field)?->isNumeric()) {
            return;
        }
        $measure = $dataset->maybeMeasure($filter->field);
        if (null === $measure || $measure->isRatio()) {
            $fields = [
                ...self::names(array_filter(
                    $dataset->breakdowns,
                    static fn (Breakdown $breakdown): bool => $breakdown->isNumeric(),
                )),
                ...self::names(array_filter($dataset->measures, static fn (Measure $one): bool => !$one->isRatio())),
            ];
            throw new NotAccepted(
                "$path.field",
                "\"{$filter->field}\" has no numbers of its own to be compared; there are ".
                    Wording::some($fields, 8).
                    '.',
            );
        }
    }

    /**
     * @param array<Breakdown|Measure> $named
     *
     * @return list<string>
     */
    private static function names(array $named): array
    {
        return array_values(array_map(static fn (Breakdown|Measure $one): string => $one->name, $named));
    }

    /** @throws NotAccepted */
    private static function measure(Question $question, Dataset $dataset): Measure
    {
        if (null === $question->measure) {
            // What is asked about drivers is their value.
            return $dataset->maybeMeasure($question->drivers->value ?? '') ?? $dataset->measures[0];
        }

        return QuestionFit::measure($question->measure, $dataset, 'question.measure');
    }

    /** @param list<Scenario> $scenarios */
    private static function codes(array $scenarios): string
    {
        return Wording::and(array_map(static fn (Scenario $scenario): string => $scenario->value, $scenarios));
    }
}
