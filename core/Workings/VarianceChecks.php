<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** What can be proved, or has to be said, of a comparison over time. */
final class VarianceChecks
{
    private const NAMED = 3;

    /**
     * @param list<Row>      $rows
     * @param list<Scenario> $against
     * @param list<Notice>   $notices
     *
     * @return list<Check>
     */
    public static function of(Measure $measure, Grain $grain, array $rows, Total $total, array $against, ?Scenario $forecast, Period $closing, bool $derivesPriorYear, array $notices): array
    {
        return array_values(array_filter([
            self::sum($measure, $grain, $rows, $total),
            self::missing($grain, $rows, $forecast),
            self::straddling($rows, $closing),
            ...array_map(static fn (Scenario $scenario): ?Check => self::absent($scenario, $rows), array_values(array_filter([...$against, self::isOpen($rows, $closing) ? $forecast : null]))),
            ...array_map(static fn (Scenario $reference): ?Check => null === self::absent($reference, $rows) ? self::leftOut($reference, $total) : null, $against),
            \in_array(Scenario::PriorYear, $against, true) && $derivesPriorYear ? new Check('prior-year-derived', true, 'Prior year is the actual of one year earlier') : null,
            ...array_map(static fn (Notice $notice): Check => new Check($notice->id, $notice->holds, $notice->says), $notices),
        ]));
    }

    /** @param list<Row> $rows */
    private static function sum(Measure $measure, Grain $grain, array $rows, Total $total): Check
    {
        $periods = ucfirst($grain->plural());
        if (Grouping::Sum !== $measure->grouping) {
            return match ($measure->grouping) {
                Grouping::Ratio => new Check('total-rule', null !== $total->shown, "The total is {$measure->numerator} over {$measure->denominator}, both summed"),
                Grouping::Average => new Check('total-rule', true, 'The total is the mean of the periods'),
                Grouping::Last => new Check('total-rule', true, 'The total is the last period\'s'),
                default => new Check('total-rule', null !== $total->shown, null !== $total->shown ? 'There is one percentage only' : 'There is no total: percentages cannot be added, and their parts are not known'),
            };
        }
        $sum = Decimals::sum(array_filter(array_map(static fn (Row $row): ?BigDecimal => $row->shown, $rows)));
        $holds = null === $total->shown ? $sum->isZero() : $sum->isEqualTo($total->shown);

        return new Check('rows-sum-to-total', $holds, $holds ? "$periods add up to the total" : "$periods add up to $sum, not to the total");
    }

    /** @param list<Row> $rows */
    private static function missing(Grain $grain, array $rows, ?Scenario $forecast): Check
    {
        $missing = array_values(array_filter($rows, static fn (Row $row): bool => null === $row->shown));
        if ([] === $missing) {
            return new Check('none-missing', true, "No {$grain->value} is missing");
        }
        $what = null === $forecast ? 'The shown figure' : 'Actual or forecast';

        return new Check('none-missing', false, "$what is missing for ".Wording::some(array_map(static fn (Row $row): string => $row->label, $missing), self::NAMED));
    }

    /**
     * A period within which the books were closed is part actual and part forecast.
     *
     * @param list<Row> $rows
     */
    private static function straddling(array $rows, Period $closing): ?Check
    {
        foreach ($rows as $row) {
            if (Scenario::Forecast === $row->shownScenario && $row->period->firstDay() <= $closing->lastDay()) {
                return new Check('part-forecast', true, "{$row->label} is actual to ".PeriodNames::withinYear($closing).' and forecast after it');
            }
        }

        return null;
    }

    /**
     * Whether any row is not closed yet, so that a forecast is wanted.
     *
     * @param list<Row> $rows
     */
    private static function isOpen(array $rows, Period $closing): bool
    {
        return [] !== array_filter($rows, static fn (Row $row): bool => $row->period->isAfter($closing));
    }

    /** @param list<Row> $rows */
    private static function absent(Scenario $scenario, array $rows): ?Check
    {
        foreach ($rows as $row) {
            if (null !== ($row->values[$scenario->value] ?? null)) {
                return null;
            }
        }

        return [] === $rows ? null : new Check('absent-'.strtolower($scenario->value), false, "There are no {$scenario->word()} figures for these periods");
    }

    private static function leftOut(Scenario $reference, Total $total): ?Check
    {
        $periods = $total->leftOut[$reference->value] ?? [];
        if ([] === $periods) {
            return null;
        }

        return new Check('left-out-'.strtolower($reference->value), false, "The total against {$reference->word()} leaves out ".Wording::some(array_map(static fn (Period $period): string => PeriodNames::full($period), $periods), self::NAMED).', which only one of the two has');
    }
}
