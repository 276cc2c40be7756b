<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Waterfall\PeriodBridge;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Words\PeriodsOfRows;

/**
 * Plans bridges from one span of time to another. Where both have equally many periods, these correspond to one another
 * in their order, and one that only one side covers is left out of both.
 */
final readonly class PeriodPlanner
{
    private Comparison $comparison;

    public function __construct(private WaterfallScope $of)
    {
        $this->comparison = $of->comparison();
    }

    public function plan(PeriodBridge $bridge): BridgePlan
    {
        $scope = $this->of->scope;
        $dataset = $scope->dataset;
        $second = $bridge->to->resolve($scope->closing, $dataset->calendar, $dataset->range());
        $first =
            $bridge->from?->resolve($scope->closing, $dataset->calendar, $dataset->range()) ??
            $this->yearBefore($second);
        [$firsts, $seconds] = [$this->fine($first), $this->fine($second)];
        $unitsOfFirst = $this->units($firsts);
        $unitsOfSecond = $this->units($seconds);
        $isAligned = \count($unitsOfFirst) === \count($unitsOfSecond);
        [$kept, $checks] = $isAligned
            ? $this->aligned($unitsOfFirst, $unitsOfSecond)
            : [
                [$firsts->only($this->comparison->shows(...)), $seconds->only($this->comparison->shows(...))],
                [...$this->incomplete($firsts), ...$this->incomplete($seconds)],
            ];
        [$from, $to] = [$this->end($first, $kept[0]), $this->end($second, $kept[1])];
        $leg = new Leg(
            place: 0,
            from: $from,
            to: $to,
            first: $this->side($kept[0]),
            second: $this->side($kept[1]),
            parts: fn (Grain $by): array => $isAligned ? $this->parts($kept[0], $kept[1], $by) : [],
        );

        return new BridgePlan([$leg], $checks, "from {$from->name} to {$to->name}");
    }

    private function side(FinePeriods $fine): BridgeSide
    {
        return new BridgeSide($this->comparison->plan($fine)->shown(), $fine);
    }

    private function fine(PeriodRange $range): FinePeriods
    {
        return new FinePeriods(
            $range->belonging($this->of->scope->dataset->grain, $this->of->scope->dataset->calendar),
        );
    }

    private function yearBefore(PeriodRange $range): PeriodRange
    {
        $periods = $range->belonging($this->of->scope->dataset->grain, $this->of->scope->dataset->calendar);
        if ([] === $periods) {
            return $range;
        }

        return PeriodRange::between($periods[0]->yearEarlier(), $periods[\count($periods) - 1]->yearEarlier());
    }

    /**
     * What corresponds to one another: finest periods; of days their months, which they are judged by.
     *
     * @return list<FinePeriods>
     */
    private function units(FinePeriods $fine): array
    {
        $grain = $this->of->scope->dataset->grain;
        $by = Grain::Day === $grain ? Grain::Month : $grain;
        $units = PeriodOfFine::all($fine, $by, $this->of->scope->dataset->calendar);

        return array_map(static fn (PeriodOfFine $one): FinePeriods => $one->fine, $units);
    }

    /**
     * @param list<FinePeriods> $firsts
     * @param list<FinePeriods> $seconds as many
     *
     * @return array{array{FinePeriods, FinePeriods}, list<Check>} what both sides cover, and what is said of the others
     */
    private function aligned(array $firsts, array $seconds): array
    {
        $kept = $leftOut = [[], []];
        foreach ($firsts as $i => $first) {
            [$first, $seconds[$i]] = $this->cutAlike($first, $seconds[$i]);
            $has = [$this->comparison->showsAny($first), $this->comparison->showsAny($seconds[$i])];
            foreach ([$first, $seconds[$i]] as $side => $fine) {
                if ($has[0] && $has[1]) {
                    array_push($kept[$side], ...$fine->list);
                } elseif ($has[$side]) {
                    array_push($leftOut[$side], ...$fine->list);
                }
            }
        }
        $left = [...$leftOut[0], ...$leftOut[1]];
        $checks =
            [] === $left
                ? []
                : [new Check(
                    'left-out',
                    false,
                    $this->names($left).': the other side has no figures of the corresponding period, so not compared',
                )];

        return [[new FinePeriods($kept[0]), new FinePeriods($kept[1])], $checks];
    }

    /**
     * Days of two months that correspond to one another: where one of them is not over, the other is cut at the same
     * day.
     *
     * @return array{FinePeriods, FinePeriods}
     */
    private function cutAlike(FinePeriods $first, FinePeriods $second): array
    {
        $open = $this->of->scope->open;
        $isOpen = static fn (FinePeriods $fine): bool => null !== $fine->first()
            && true === $open?->holds($fine->first());
        if (null === $open || $isOpen($first) === $isOpen($second) || null !== $this->of->scope->question->forecast) {
            return [$first, $second];
        }
        $isPassed = static fn (Period $day): bool => CivilDate::parts($day->start)[2] <= $open->elapsed;
        $fine = $isOpen($first) ? $second : $first;
        $isCuttable =
            null !== $fine->first()
            && !$this->of->coverage->knowsMonthOnly($this->of->scope->question->scenario, $fine->first());
        $cut = $isCuttable ? $fine->only($isPassed) : new FinePeriods([]);

        return $isOpen($first) ? [$first->only($isPassed), $cut] : [$cut, $second->only($isPassed)];
    }

    /**
     * Spans of different lengths are compared as they are; what one of them lacks is said.
     *
     * @return list<Check>
     */
    private function incomplete(FinePeriods $fine): array
    {
        $missing = $fine->without($fine->only($this->comparison->shows(...)));

        return $missing->isEmpty()
            ? []
            : [new Check(
                'incomplete-'.$fine->first()?->key(), false, 'There are no figures of '.$this->names($missing->list),
            )];
    }

    /** @param list<Period> $periods */
    private function names(array $periods): string
    {
        usort($periods, static fn (Period $a, Period $b): int => $a->start <=> $b->start);

        return (new PeriodsOfRows($this->of->scope))->names($periods);
    }

    /**
     * @return list<LegPart> of the periods of both sides that correspond to one another, named by the second
     */
    private function parts(FinePeriods $first, FinePeriods $second, Grain $by): array
    {
        $calendar = $this->of->scope->dataset->calendar;
        $firsts = PeriodOfFine::all($first, $by, $calendar);
        $parts = [];
        foreach (PeriodOfFine::all($second, $by, $calendar) as $i => $part) {
            $parts[] = new LegPart(
                $part->period,
                $this->side($firsts[$i]->fine ?? new FinePeriods([])),
                $this->side($part->fine),
            );
        }

        return $parts;
    }

    private function end(PeriodRange $range, FinePeriods $kept): BridgeEnd
    {
        [$name, $grain] = $this->named($range);

        return new BridgeEnd($name, $name, $this->comparison->plannedScenario($kept) ?? Scenario::Actual, $grain);
    }

    /** @return array{string, ?Grain} as one period of a grain where it is one; else by its ends */
    private function named(PeriodRange $range): array
    {
        $dataset = $this->of->scope->dataset;
        foreach (array_reverse($dataset->grain->coarser()) as $grain) {
            $periods = $range->belonging($grain, $dataset->calendar);
            if (
                1 === \count($periods)
                && $periods[0]->firstDay() === $range->firstDay
                && $periods[0]->lastDay() === $range->lastDay
            ) {
                return [PeriodNames::full($periods[0]), $grain];
            }
        }
        $periods = $range->belonging($dataset->closingGrain(), $dataset->calendar);

        return [] === $periods
            ? ['no period', null]
            : [PeriodNames::range($periods[0], $periods[\count($periods) - 1]), null];
    }
}
