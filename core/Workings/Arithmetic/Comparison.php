<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\ScenarioPeriod;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Question\Part\Flag;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/**
 * Sets the shown scenario of a measure against its references, for any finest periods of any sums: a row, a total, a
 * landing.
 *
 * Which periods are compared is told by coverage (ComparisonPlanner). Within them, where a measure is added up over
 * members, whoever has no figure has nothing; else only what both sides have figures of is compared (LikeForLike).
 */
final class Comparison
{
    private readonly Amounts $amounts;
    private readonly Rounding $rounding;
    private readonly ComparisonPlanner $planner;
    /** @var list<Scenario> that have a value */
    private readonly array $scenarios;
    /** @var \WeakMap<FinePeriods, ComparisonPlan> */
    private \WeakMap $plans;

    /** @param list<Scenario> $against */
    public function __construct(
        private readonly Measure $measure,
        public readonly MeasureCoverage $coverage,
        private readonly Scenario $scenario,
        private readonly ?Scenario $forecast,
        private readonly array $against,
        private readonly Period $closing,
        private readonly Flag $flag = new Flag(),
    ) {
        $this->amounts = new Amounts($measure, $coverage);
        $this->rounding = $this->amounts->rounding();
        $this->planner = new ComparisonPlanner($coverage, $scenario, $forecast, $closing);
        $this->plans = new \WeakMap();
        $this->scenarios = array_values(array_unique(array_filter([$scenario, $forecast, ...$against]), \SORT_REGULAR));
    }

    /** The same of actuals alone, as far as they go. */
    public function withoutForecast(): self
    {
        return new self(
            measure: $this->measure,
            coverage: $this->coverage,
            scenario: $this->scenario,
            forecast: null,
            against: $this->against,
            closing: $this->closing,
            flag: $this->flag,
        );
    }

    /** How fractions of the measure are written. */
    public function rounding(): Rounding
    {
        return $this->rounding;
    }

    public function plan(FinePeriods $fine): ComparisonPlan
    {
        return $this->plans[$fine] ??= new ComparisonPlan($this->planner, $this->coverage, $fine);
    }

    /** What is shown, its variances, and the values of all scenarios. */
    public function total(FinePeriods $fine, Sums $sums, Better $better): Total
    {
        $plan = $this->plan($fine);
        $exact = $this->amounts->together($plan->shown(), $sums);
        $exacts = $variances = $leftOut = $unlike = [];
        foreach ($this->scenarios as $scenario) {
            $periods = $plan->values($scenario);
            $exacts[$scenario->value] =
                $periods === $plan->shown() ? $exact : $this->amounts->together($periods, $sums);
        }
        foreach ($this->against as $reference) {
            [$pair, $code] = [$plan->pair($reference), $reference->value];
            // What is added up is often the very same for a value and the side of a variance.
            $isWhole =
                $this->measure->isAddedOverMembers()
                && $pair->shown === $plan->shown()
                && $pair->reference === $plan->values($reference);
            $compared = $isWhole
                ? new Compared($this->variance($exact, $exacts[$code] ?? null, $better, []), $pair->leftOut)
                : $this->compared($pair, $sums, $sums, $better);
            [$variances[$code], $leftOut[$code]] = [$compared->variance, $compared->leftOut];
            $unlike[$code] = $compared->unlike;
        }

        return new Total(
            shown: $this->rounding->of($exact),
            variances: $variances,
            leftOut: $leftOut,
            values: array_map($this->rounding->of(...), $exacts),
            exact: $exact,
            unlike: $unlike,
        );
    }

    /** What is shown; null where there is no figure. */
    public function shown(FinePeriods $fine, Sums $sums): ?BigDecimal
    {
        return $this->rounding->of($this->exact($fine, $sums));
    }

    /** The same before it is rounded. */
    public function exact(FinePeriods $fine, Sums $sums): BigDecimal|Fraction|null
    {
        return $this->amounts->together($this->plan($fine)->shown(), $sums);
    }

    /** The amount of one of the question's scenarios; null where there is no figure. */
    public function value(Scenario $scenario, FinePeriods $fine, Sums $sums): ?BigDecimal
    {
        return $this->rounding->of($this->amounts->together($this->plan($fine)->values($scenario), $sums));
    }

    /** The scenario that is to be shown at a period; null after the closing period where no forecast is asked for. */
    public function scenarioAt(Period $fine): ?Scenario
    {
        return $this->planner->scenarioAt($fine);
    }

    /**
     * What is shown of some members against the same of others.
     *
     * @param ?int $place of the breakdown that both sides are members of
     */
    public function between(
        FinePeriods $fine,
        Sums $shown,
        Sums $reference,
        Better $better,
        ?int $place = null,
    ): Compared {
        $pair = $this->plan($fine)->withinShown();

        return $this->compared($pair, $shown, $reference, $better, $place);
    }

    /** The scenario that is shown: the forecast as soon as a figure is of it. Null where there is no figure. */
    public function scenarioOf(FinePeriods $fine, Sums $sums): ?Scenario
    {
        $plan = $this->plan($fine);

        return match (true) {
            $plan->forecast()->periods > 0 && $this->hasAny($plan->forecast(), $sums) => $this->forecast,
            $this->hasAny($plan->shown(), $sums) => $this->scenario,
            default => null,
        };
    }

    /** The scenario that is shown wherever there is a figure; null where nothing that is shown covers the periods. */
    public function plannedScenario(FinePeriods $fine): ?Scenario
    {
        $plan = $this->plan($fine);

        return match (true) {
            $plan->forecast()->periods > 0 => $this->forecast,
            [] !== $plan->periods() => $this->scenario,
            default => null,
        };
    }

    /** Whether there is any figure of what is shown or of a reference, so that there is something to tell. */
    public function hasFigures(FinePeriods $fine, Sums $sums): bool
    {
        $plan = $this->plan($fine);
        if ($this->hasAny($plan->shown(), $sums)) {
            return true;
        }
        foreach ($this->against as $reference) {
            if ($this->hasAny($plan->values($reference), $sums)) {
                return true;
            }
        }

        return false;
    }

    /** The last closed period with a figure of what is shown; null where there is none. */
    public function lastClosed(FinePeriods $fine, Sums $sums): ?Period
    {
        foreach (array_reverse($this->plan($fine)->periods()) as $period) {
            if (
                $this->planner->scenarioAt($period) === $this->scenario
                && $this->amounts->has($this->scenario, $period, $sums)
            ) {
                return $period;
            }
        }

        return null;
    }

    /** Whether what is shown covers any of the periods. */
    public function showsAny(FinePeriods $fine): bool
    {
        return [] !== $this->plan($fine)->periods();
    }

    /** Whether what is shown covers the period. */
    public function shows(Period $fine): bool
    {
        return null !== $this->planner->shownAt($fine);
    }

    /** Whether a period is compared with a reference: both sides cover it, and it can be cut where actuals end. */
    public function compares(Scenario $reference, Period $fine): bool
    {
        return ComparedSide::Both === $this->planner->side($reference, $fine);
    }

    /** Whether a reference's figure of the month that is not over is taken by the days that have passed. */
    public function takesProRata(Scenario $reference): bool
    {
        return $this->planner->takesProRata($reference);
    }

    /** Whether a day is left out of a comparison with a reference because its month is not over. */
    public function isUncut(Scenario $reference, Period $day): bool
    {
        return $this->planner->isUncut($reference, $day);
    }

    /** What is left out but for the month that is not over, of which it is said by itself why. */
    public function leftOutBesidesOpenMonth(Scenario $reference, LeftOut $leftOut): LeftOut
    {
        $isOther = fn (Period $period): bool => !$this->planner->isUncut($reference, $period);

        return new LeftOut(
            array_values(array_filter($leftOut->shown, $isOther)),
            array_values(array_filter($leftOut->reference, $isOther)),
        );
    }

    /** Whether the month that is not over is left out because a scenario knows the whole month only. */
    public function leavesOutOpenMonth(Scenario $reference): bool
    {
        $open = $this->coverage->open;

        return null !== $open
            && $this->coverage->hasOpenMonth($reference)
            && $this->planner->isUncut($reference, Period::ofStart(Grain::Day, $open->month->firstDay()));
    }

    /** @param ?int $between place of the breakdown that both sides are members of; null: both have the same members */
    private function compared(
        PlannedPair $pair,
        Sums $ofShown,
        Sums $ofReference,
        Better $better,
        ?int $between = null,
    ): Compared {
        if ($this->measure->isAddedOverMembers()) {
            $shown = $this->amounts->together($pair->shown, $ofShown);
            $reference = $this->amounts->together($pair->reference, $ofReference);
            $only = $pair->leftOut->isEmpty() ? [] : $pair->periods;

            return new Compared($this->variance($shown, $reference, $better, $only), $pair->leftOut);
        }

        return $this->comparedAlike($pair, $ofShown, $ofReference, $better, $between);
    }

    /** A missing figure is not nothing: only cells that both sides have are compared. */
    private function comparedAlike(
        PlannedPair $pair,
        Sums $ofShown,
        Sums $ofReference,
        Better $better,
        ?int $between,
    ): Compared {
        $units = [];
        foreach ($pair->periods as $period) {
            $units[$this->coverage->unit($period->start)][] = $period;
        }
        $units = array_values($units);
        $alike = LikeForLike::of(
            $this->measure->sources(),
            array_map(fn (array $unit): array => $this->places($pair, $unit), $units),
            $ofShown,
            $ofReference,
            $between,
        );
        $shown = $this->amounts->together($pair->shown, $alike->shown);
        $reference = $this->amounts->together($pair->reference, $alike->reference);
        $leftOut = $this->withLacking($pair->leftOut, $units, $alike->lacking);
        $compared = array_merge([], ...array_values(array_diff_key($units, $alike->lacking)));

        return new Compared(
            $this->variance($shown, $reference, $better, $leftOut->isEmpty() ? [] : $compared),
            $leftOut,
            $alike->unlike,
        );
    }

    /**
     * @param list<list<Period>> $units
     * @param array<int, bool> $lacking units in which nothing is compared: whether what is shown has figures
     */
    private function withLacking(LeftOut $leftOut, array $units, array $lacking): LeftOut
    {
        $sides = [[...$leftOut->reference], [...$leftOut->shown]];
        foreach ($lacking as $i => $isShown) {
            array_push($sides[(int) $isShown], ...$units[$i]);
        }

        return new LeftOut($sides[1], $sides[0]);
    }

    /**
     * Where the amounts of some compared periods are kept.
     *
     * @param list<Period> $periods
     *
     * @return array{list<ScenarioPeriod>, list<ScenarioPeriod>} what is shown, and the reference
     */
    private function places(PlannedPair $pair, array $periods): array
    {
        $shown = $reference = [];
        foreach ($periods as $period) {
            $ofShown = $this->planner->shownAt($period)->places ?? [];
            $ofReference = null === $pair->scenario
                ? $ofShown
                : $this->planner->referenceAt($pair->scenario, $period)->places;
            array_push($shown, ...$ofShown);
            array_push($reference, ...$ofReference);
        }

        return [$shown, $reference];
    }

    /** @param list<Period> $only */
    private function variance(
        BigDecimal|Fraction|null $shown,
        BigDecimal|Fraction|null $reference,
        Better $better,
        array $only,
    ): ?Variance {
        $inPoints = $this->measure->isInPercent();

        return $this->measure->isAddedOverMembers()
            ? Variance::maybeOrNothing(
                shown: $shown,
                reference: $reference,
                better: $better,
                flag: $this->flag,
                inPoints: $inPoints,
                rounding: $this->rounding,
                only: $only,
            )
            : Variance::maybe(
                shown: $shown,
                reference: $reference,
                better: $better,
                flag: $this->flag,
                inPoints: $inPoints,
                rounding: $this->rounding,
                absent: null,
                only: $only,
            );
    }

    private function hasAny(ScenarioPeriods $periods, Sums $sums): bool
    {
        foreach ($this->measure->sources() as $source) {
            if (!$periods->areFiguredIn($sums, $source)) {
                return false;
            }
        }

        return true;
    }
}
