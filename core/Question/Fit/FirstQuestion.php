<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Fit;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Kind;
use KeenMargin\Core\Question\Part\Flag;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/**
 * The question that a dataset is met with: its first measure, the fiscal year of the closing period or the first
 * breakdown of a list, what there is to compare with.
 */
final class FirstQuestion
{
    private const MANY_PERIODS = 18;

    public static function of(Dataset $dataset, Kind $kind): Recipe
    {
        $scenarios = $dataset->scenarios();
        $shown = \in_array(Scenario::Actual, $scenarios, true) ? Scenario::Actual : $scenarios[0];
        $has = static fn (Scenario $scenario): bool => $scenario !== $shown && \in_array($scenario, $scenarios, true);
        $against = array_values(array_filter([Scenario::Budget, Scenario::Target, Scenario::PriorYear], $has));

        return new Recipe(
            new Question(
                measure: $dataset->measures[0]->name,
                scenario: $shown,
                forecast: $has(Scenario::Forecast) && Scenario::Actual === $shown ? Scenario::Forecast : null,
                against: \array_slice($against, 0, 2),
                by: self::rows($dataset),
                span: $dataset->isTimeless() ? null : self::span($dataset),
                flag: new Flag(BigDecimal::of(5)),
            ),
            $kind,
        );
    }

    /** The rows that are shown where nobody has said otherwise: periods, or the first breakdown of a list. */
    public static function rows(Dataset $dataset): Grain|string
    {
        return match (true) {
            $dataset->isTimeless() => $dataset->breakdowns[0]->name ?? Grain::Month,
            Grain::Day === $dataset->grain => Grain::Month,
            default => $dataset->grain,
        };
    }

    private static function span(Dataset $dataset): ?Span
    {
        $available = $dataset->range();
        // Days are asked about month by month.
        $grain = Grain::Day === $dataset->grain ? Grain::Month : $dataset->grain;
        $periods = $available->belonging($grain, $dataset->calendar);
        if (\count($periods) <= self::MANY_PERIODS || Grain::Year === $dataset->grain) {
            return null;
        }
        $year = $dataset->closing()->group(Grain::Year, $dataset->calendar);
        $within = array_values(array_filter(
            $periods,
            static fn (Period $period): bool => $period->firstDay() >= $year->firstDay()
                && $period->lastDay() <= $year->lastDay(),
        ));

        return [] === $within ? null : Span::between($within[0], $within[\count($within) - 1]);
    }
}
