<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RecipeFit;
use KeenMargin\Core\Question\Sentence;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Time\Span;

/** From a recipe and figures to the workings of a comparison over time. */
final readonly class VarianceOverTime
{
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $question = $recipe->question;
        $dataset = $figures->dataset();
        $measure = RecipeFit::insist($question, $dataset);
        $better = $question->better ?? $dataset->betterOf($measure, $question->where);
        $closing = self::closing($question, $dataset);
        $range = ($question->span ?? Span::all())->resolve($closing, $dataset->calendar, $dataset->range());
        $amounts = Amounts::of($figures, $measure, $question->where);
        $comparison = new Comparison($amounts, $question->scenario, $question->forecast, $question->against, $closing, $better, $question->flag, $measure->isInPercent());

        $fine = self::fine($range, $question->by, $dataset);
        $rows = self::rows($range, $question, $dataset, $comparison, $fine);
        $display = Display::of($measure, $recipe->finish, $rows);
        $total = $comparison->total($fine);
        $year = $dataset->calendar->group($closing, Grain::Year);
        $closed = self::closedThisYear($fine, $year, $closing);
        $toDate = [] === $closed ? null : $comparison->total($closed);
        $showsForecast = [] !== array_filter($rows, static fn (Row $row): bool => null !== $row->shownScenario && $row->shownScenario === $question->forecast && Scenario::Actual === $question->scenario);
        $landing = $showsForecast ? $comparison->total(PeriodRange::between($year, $year)->periods($dataset->grain, $dataset->calendar)) : null;
        $covered = null === $toDate ? self::shown($fine, $comparison) : self::shown($closed, $comparison);
        $reading = new ReadingWriter($measure->name, $display, self::rowsWithin($rows, $year, null === $toDate ? null : $closing), $question->against, $covered[0] ?? null, $covered[\count($covered) - 1] ?? null);

        return new Workings(
            $recipe->kind,
            self::who($dataset, $question),
            $measure,
            $better,
            $question->scenario,
            $showsForecast ? $question->forecast : null,
            $question->against,
            $question->by,
            $closing,
            $range,
            $rows,
            $total,
            $toDate,
            $landing,
            $display,
            VarianceChecks::of($measure, $question->by, $rows, $total, $question->against, $question->forecast, $closing, $amounts->derivesPriorYear(), array_values(array_filter($dataset->notices, static fn (Notice $notice): bool => $notice->isOfCharts()))),
            $reading->write($toDate ?? $total, null !== $toDate, $landing, PeriodNames::full($year)),
        );
    }

    private static function closing(Question $question, Dataset $dataset): Period
    {
        $closing = $question->closedThrough ?? $dataset->closing();

        return $closing->grain === $dataset->grain || !$dataset->grain->groups($closing->grain)
            ? $closing
            : $dataset->calendar->group($closing, $dataset->grain);
    }

    /**
     * The finest periods of the range; of weeks those whose Thursday is in it.
     *
     * @return list<Period>
     */
    private static function fine(PeriodRange $range, Grain $by, Dataset $dataset): array
    {
        $fine = $range->periods($dataset->grain, $dataset->calendar);
        if (Grain::Week !== $dataset->grain || Grain::Week === $by) {
            return $fine;
        }

        return array_values(array_filter($fine, static fn (Period $week): bool => $week->firstDay() + 3 >= $range->firstDay && $week->firstDay() + 3 <= $range->lastDay));
    }

    /**
     * @param list<Period> $fine
     *
     * @return list<Row>
     */
    private static function rows(PeriodRange $range, Question $question, Dataset $dataset, Comparison $comparison, array $fine): array
    {
        $parts = [];
        foreach ($fine as $period) {
            $parts[$dataset->calendar->group($period, $question->by)->key()][] = $period;
        }
        $scenarios = array_values(array_unique(array_filter([$question->scenario, $question->forecast, ...$question->against]), \SORT_REGULAR));
        $rows = [];
        foreach ($range->periods($question->by, $dataset->calendar) as $period) {
            $own = $parts[$period->key()] ?? [];
            $total = $comparison->total($own);
            $values = [];
            foreach ($scenarios as $scenario) {
                $values[$scenario->value] = $comparison->value($scenario, $own);
            }
            $rows[] = new Row($period, $period->key(), PeriodNames::full($period), $values, $total->shown, null === $total->shown ? null : $comparison->scenarioOf($own), $total->variances);
        }

        return $rows;
    }

    /**
     * @param list<Period> $fine
     *
     * @return list<Period>
     */
    private static function closedThisYear(array $fine, Period $year, Period $closing): array
    {
        return array_values(array_filter($fine, static fn (Period $period): bool => $period->firstDay() >= $year->firstDay() && !$period->isAfter($closing)));
    }

    /**
     * @param list<Period> $fine
     *
     * @return list<Period>
     */
    private static function shown(array $fine, Comparison $comparison): array
    {
        return array_values(array_filter($fine, $comparison->shows(...)));
    }

    /**
     * Rows that the headline is made of: closed ones of its year, or all.
     *
     * @param list<Row> $rows
     *
     * @return list<Row>
     */
    private static function rowsWithin(array $rows, Period $year, ?Period $closing): array
    {
        return null === $closing ? $rows : array_values(array_filter($rows, static fn (Row $row): bool => $row->period->firstDay() >= $year->firstDay() && !$row->period->isAfter($closing)));
    }

    /** `Brackwater Ferries, North and Holm`; all members where nothing is filtered */
    private static function who(Dataset $dataset, Question $question): string
    {
        $filters = array_map(static fn (MemberFilter|NumberFilter $filter): string => $filter instanceof NumberFilter ? Sentence::number($filter) : ($filter->keeps ? '' : 'all but ').Wording::some($filter->members, 3), $question->where);

        return implode(', ', array_filter(['' === $dataset->organisation ? $dataset->name : $dataset->organisation, ...$filters]));
    }
}
