<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** Checks of which scenario has figures for which period, and of the closing period among them. */
final class CoverageChecks
{
    /** @return list<Finding> */
    public static function of(Dataset $dataset): array
    {
        if ($dataset->isTimeless() || $dataset->isEmpty()) {
            return [];
        }

        return [self::complete($dataset), self::closing($dataset)];
    }

    /** Periods with actuals and no budget or target, once those have begun; closed periods without actuals. */
    private static function complete(Dataset $dataset): Finding
    {
        $places = $says = [];
        $closing = $dataset->closing();
        $actual = self::byStart($dataset, Scenario::Actual);
        foreach ([Scenario::Budget, Scenario::Target, Scenario::PriorYear] as $scenario) {
            $own = self::byStart($dataset, $scenario);
            $first = array_key_first($own);
            $missing = null === $first ? [] : array_filter(array_diff_key($actual, $own), static fn (Period $period): bool => $period->start > $first);
            self::add($dataset, $scenario, $missing, $places, $says);
        }
        if ([] !== $actual && Grain::Day !== $dataset->grain) {
            $expected = [];
            for ($period = reset($actual); !$period->isAfter($closing); $period = $period->moved(1)) {
                $expected[$period->start] = $period;
            }
            self::add($dataset, Scenario::Actual, array_diff_key($expected, $actual), $places, $says);
        }

        return [] === $places ? Finding::well('scenarios-complete', 'Every scenario is there wherever it is needed') : Finding::at('scenarios-complete', Wording::and($says), $places);
    }

    /** Actuals after the closing period, forecast before it. */
    private static function closing(Dataset $dataset): Finding
    {
        $closing = $dataset->closing();
        $places = $says = [];
        $late = array_filter(self::byStart($dataset, Scenario::Actual), static fn (Period $period): bool => $period->isAfter($closing));
        $early = array_filter(self::byStart($dataset, Scenario::Forecast), static fn (Period $period): bool => !$period->isAfter($closing));
        foreach ([[Scenario::Actual, $late, 'after'], [Scenario::Forecast, $early, 'before']] as [$scenario, $periods, $side]) {
            if ([] !== $periods) {
                $says[] = "there is {$scenario->word()} for ".self::named($periods).", $side the books are closed";
                array_push($places, ...self::places($dataset, $scenario, $periods));
            }
        }

        return [] === $places
            ? Finding::well('closing', 'Actual ends and forecast begins at the closing period')
            : Finding::at('closing', ucfirst(Wording::and($says)), $places);
    }

    /**
     * @param array<int, Period> $missing
     * @param list<Place>        $places
     * @param list<string>       $says
     */
    private static function add(Dataset $dataset, Scenario $scenario, array $missing, array &$places, array &$says): void
    {
        if ([] !== $missing) {
            $says[] = ([] === $says ? ucfirst($scenario->word()) : $scenario->word()).' is missing for '.self::named($missing);
            array_push($places, ...self::places($dataset, $scenario, $missing));
        }
    }

    /** @param non-empty-array<Period> $periods */
    private static function named(array $periods): string
    {
        $all = array_values($periods);
        $isUnbroken = \count($all) > 2 && $all[0]->moved(\count($all) - 1)->start === $all[\count($all) - 1]->start;

        return $isUnbroken ? PeriodNames::range($all[0], $all[\count($all) - 1]) : Wording::some(array_map(PeriodNames::full(...), $all), 3);
    }

    /**
     * @param array<Period> $periods
     *
     * @return list<Place>
     */
    private static function places(Dataset $dataset, Scenario $scenario, array $periods): array
    {
        return array_values(array_map(static fn (Period $period): Place => new Place($dataset->measures[0]->name, $scenario, $period, []), $periods));
    }

    /** @return array<int, Period> */
    private static function byStart(Dataset $dataset, Scenario $scenario): array
    {
        $periods = $dataset->coverage->periods[$scenario->value] ?? [];

        return array_combine(array_map(static fn (Period $period): int => $period->start, $periods), $periods);
    }
}
