<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Sentence;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\WholeMonth;

/**
 * The slot that says what becomes of a month that is not over, where a reference has one figure for all of it:
 * `, without January` or `, January pro rata`.
 */
final class OpenMonthPart
{
    /** @return list<SentencePart> none where the question does not arise */
    public static function of(Recipe $recipe, Dataset $dataset): array
    {
        $question = $recipe->question;
        $closing = $question->closedThrough ?? $dataset->maybeClosing();
        if (Grain::Day !== $dataset->grain || null === $closing) {
            return [];
        }
        $month = Period::ofStart(Grain::Day, $closing->lastDay())->group(Grain::Month, $dataset->calendar);
        $isOver = $closing->lastDay() === $month->lastDay();
        $knows = static fn (Scenario $scenario): bool => self::knowsMonthOnly($dataset, $scenario, $month);
        $arises = !$isOver && [] !== array_filter(self::references($question), $knows);
        if (!$arises || !RecipeFit::takesProRata($recipe, $dataset)) {
            return [];
        }
        $name = PeriodNames::spelledOut($month);

        return [
            new SentencePart(', '),
            new SentencePart($question->isProRata ? "$name pro rata" : "without $name", 'proRata'),
        ];
    }

    /** @return list<Scenario> that actuals are held against */
    private static function references(Question $question): array
    {
        $bridge = $question->bridge instanceof ScenarioBridge ? $question->bridge->stations() : [];
        $aims = [$question->target?->scenario, $question->goal->aim?->scenario, $question->goal->pace?->scenario];
        $all = array_filter([...$question->against, ...$bridge, ...$aims]);

        return array_values(array_filter($all, static fn (Scenario $one): bool => Scenario::Actual !== $one));
    }

    /** Whether a scenario has one figure for the whole month, of any measure. */
    private static function knowsMonthOnly(Dataset $dataset, Scenario $scenario, Period $month): bool
    {
        $days = array_values(array_filter(
            $dataset->coverage->periods[$scenario->value] ?? [],
            static fn (Period $day): bool => $day->start >= $month->firstDay() && $day->start <= $month->lastDay(),
        ));

        return null !== WholeMonth::maybeDay(array_map(static fn (Period $day): int => $day->start, $days));
    }
}
