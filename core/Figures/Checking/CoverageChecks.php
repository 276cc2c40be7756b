<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\EarlyClosing;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PriorYear;

/** Checks of which scenario has figures for which period, and of the closing period among them. */
final class CoverageChecks
{
    /** @return list<CheckFinding> */
    public static function of(Dataset $dataset): array
    {
        if ($dataset->isTimeless() || $dataset->isEmpty()) {
            return [];
        }

        return [self::complete($dataset), self::closing($dataset)];
    }

    /**
     * Periods with actuals and no budget or target, once those have begun; closed periods without actuals. Days are
     * judged by their month.
     */
    private static function complete(Dataset $dataset): CheckFinding
    {
        $places = $says = [];
        $closing = $dataset->closing();
        $actual = self::byStart($dataset, Scenario::Actual);
        foreach ([Scenario::Budget, Scenario::Target, Scenario::PriorYear] as $scenario) {
            $own = self::byStart($dataset, $scenario);
            $first = array_key_first($own);
            $isMissing = static fn (Period $period): bool => $period->start > $first
                && !(Scenario::PriorYear === $scenario && self::hasYearBefore($period, $actual));
            self::add(
                $dataset,
                $scenario,
                null === $first ? [] : array_filter(array_diff_key($actual, $own), $isMissing),
                $places,
                $says,
            );
        }
        $expected = [];
        for ($period = reset($actual); false !== $period && !$period->isAfter($closing); $period = $period->moved(1)) {
            $expected[$period->start] = $period;
        }
        self::add($dataset, Scenario::Actual, array_diff_key($expected, $actual), $places, $says);

        return [] === $places
            ? CheckFinding::well('scenarios-complete', 'Every scenario is there wherever it is needed')
            : CheckFinding::at('scenarios-complete', Wording::and($says), $places);
    }

    /**
     * A prior year that did not come in is the actual of the year before.
     *
     * @param array<int, Period> $actual
     */
    private static function hasYearBefore(Period $period, array $actual): bool
    {
        return [] !==
            array_filter(PriorYear::of($period), static fn (Period $earlier): bool => isset($actual[$earlier->start]));
    }

    /**
     * Actuals after the closing period; closed periods for which there is only a forecast. A forecast beside an actual
     * is what every forecast becomes on the day the books close.
     */
    private static function closing(Dataset $dataset): CheckFinding
    {
        $closing = $dataset->closing();
        $places = $says = [];
        $actual = self::byStart($dataset, Scenario::Actual);
        $late = array_filter($actual, static fn (Period $period): bool => $period->isAfter($closing));
        $early = array_filter(
            array_diff_key(self::byStart($dataset, Scenario::Forecast), $actual),
            static fn (Period $period): bool => !$period->isAfter($closing),
        );
        if ([] !== $late) {
            $says[] = 'there is actual for '.self::named($late).', after the books are closed';
            array_push($places, ...self::places($dataset, Scenario::Actual, $late));
        }
        if ([] !== $early) {
            $says[] = 'there is forecast and no actual for '.self::named($early).', before the books are closed';
            array_push($places, ...self::places($dataset, Scenario::Forecast, $early));
        }

        $last = $dataset->coverage->last(Scenario::Actual);
        if (null !== $last && EarlyClosing::is($last, $closing)) {
            $says[] = EarlyClosing::text($last).', and the books are closed through all of it';
            array_push($places, ...self::places($dataset, Scenario::Actual, [$last]));
        }

        return [] === $places
            ? CheckFinding::well('closing', 'Actual ends and forecast begins at the closing period')
            : CheckFinding::at('closing', ucfirst(Wording::and($says)), $places);
    }

    /**
     * @param array<int, Period> $missing
     * @param list<FindingTarget> $places
     * @param list<string> $says
     */
    private static function add(
        Dataset $dataset,
        Scenario $scenario,
        array $missing,
        array &$places,
        array &$says,
    ): void {
        if ([] !== $missing) {
            $says[] =
                ([] === $says ? ucfirst($scenario->word()) : $scenario->word()).
                ' is missing for '.
                self::named($missing);
            array_push($places, ...self::places($dataset, $scenario, $missing));
        }
    }

    /** @param non-empty-array<Period> $periods */
    private static function named(array $periods): string
    {
        $all = array_values($periods);
        $isUnbroken = \count($all) > 2 && $all[0]->moved(\count($all) - 1)->start === $all[\count($all) - 1]->start;

        return $isUnbroken
            ? PeriodNames::range($all[0], $all[\count($all) - 1])
            : Wording::some(array_map(PeriodNames::full(...), $all), 3);
    }

    /**
     * @param array<Period> $periods
     *
     * @return list<FindingTarget>
     */
    private static function places(Dataset $dataset, Scenario $scenario, array $periods): array
    {
        return array_values(array_map(
            static fn (Period $period): FindingTarget => new FindingTarget(
                $dataset->measures[0]->name, $scenario, $period, [],
            ),
            $periods,
        ));
    }

    /** @return array<int, Period> periods with figures by their starts, of days the months */
    private static function byStart(Dataset $dataset, Scenario $scenario): array
    {
        $periods = [];
        foreach ($dataset->coverage->periods[$scenario->value] ?? [] as $period) {
            $judged = Grain::Day === $period->grain ? $period->group(Grain::Month, $dataset->calendar) : $period;
            $periods[$judged->start] = $judged;
        }

        return $periods;
    }
}
