<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** What can be proved, or has to be said, of a comparison. */
final class ComparisonChecks
{
    private const NAMED = 3;

    /**
     * @param list<Row>       $rows
     * @param ?Total          $total      none where adding up says nothing
     * @param list<Reference> $references
     *
     * @return list<Check>
     */
    public static function of(Scope $scope, array $rows, ?Total $total, array $references, bool $derivesPriorYear): array
    {
        $against = $scope->question->against;
        $forecast = $scope->question->forecast;

        return array_values(array_filter([
            null === $total ? self::noTotal() : RowSums::check($scope, $rows, $total->shown, static fn (Row $row): ?BigDecimal => $row->shown),
            self::missing($scope, $rows, $forecast),
            self::straddling($rows, $scope->closing),
            [] === $references ? new Check('no-reference', false, 'There is nothing to compare with: choose a reference in the question') : null,
            ...array_map(static fn (Scenario $scenario): ?Check => self::absent($scenario, $rows), array_values(array_filter([...$against, self::isOpen($rows, $scope->closing) ? $forecast : null]))),
            ...array_map(static fn (Scenario $reference): ?Check => null !== $total && null === self::absent($reference, $rows) ? self::leftOut($reference, $total) : null, $against),
            \in_array(Scenario::PriorYear, $against, true) && $derivesPriorYear ? new Check('prior-year-derived', true, 'Prior year is the actual of one year earlier') : null,
            ...self::notices($scope),
        ]));
    }

    public static function noTotal(): Check
    {
        return new Check('no-total', true, 'Lines that add and lines that take away are not added up');
    }

    /** @return list<Check> what the reading of the figures has to say about charts of them */
    public static function notices(Scope $scope): array
    {
        return array_map(static fn (Notice $notice): Check => new Check($notice->id, $notice->holds, $notice->says), array_values(array_filter($scope->dataset->notices, static fn (Notice $notice): bool => $notice->isOfCharts())));
    }

    /** @param list<Row> $rows */
    public static function missing(Scope $scope, array $rows, ?Scenario $forecast = null): Check
    {
        $one = $scope->question->grain()->value ?? Wording::withinSentence((string) $scope->question->breakdown());
        $missing = array_values(array_filter($rows, static fn (Row $row): bool => null === $row->shown));
        if ([] === $missing) {
            return new Check('none-missing', true, "No $one is missing");
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
            if (Scenario::Forecast === $row->shownScenario && null !== $row->period && $row->period->firstDay() <= $closing->lastDay()) {
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
        return [] !== array_filter($rows, static fn (Row $row): bool => true === $row->period?->isAfter($closing));
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
