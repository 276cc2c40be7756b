<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/**
 * Decides by coverage what a finest period takes part in. Shown is the scenario up to the closing period and the
 * forecast after it; periods that only one side of a comparison covers are left out of both. What was decided is kept:
 * rows, totals and landings are made of the same periods.
 *
 * A scenario that has one figure for a month that is not over cannot be cut where the actuals end: that month is left
 * out, or, where the question asks for it, each day has an equal part of the figure.
 */
final class ComparisonPlanner
{
    /** @var array<int, ?KeptPeriod> by start */
    private array $shown = [];
    /** @var array<string, array<int, ?KeptPeriod>> by scenario code and start */
    private array $values = [];
    /** @var array<string, array<int, ComparedSide>> by the reference's code and start */
    private array $sides = [];
    /** Whether what is shown goes on with the forecast to the end of the month that is not over. */
    private readonly bool $goesOn;

    public function __construct(
        private readonly MeasureCoverage $coverage,
        public readonly Scenario $scenario,
        public readonly ?Scenario $forecast,
        private readonly Period $closing,
    ) {
        $this->goesOn =
            null !== $forecast
            && true === $coverage->open?->isWhole
            && $coverage->hasOpenMonth($forecast)
            && ($coverage->isProRata || !$this->knowsOpenMonthOnly($forecast));
    }

    /** The scenario that is to be shown at a period; null after the closing period where no forecast is asked for. */
    public function scenarioAt(Period $fine): ?Scenario
    {
        return $this->isCut($this->scenario, $fine) ? $this->forecast : $this->scenario;
    }

    /** What is shown at a period; null where the scenario does not cover it. */
    public function shownAt(Period $fine): ?KeptPeriod
    {
        if (\array_key_exists($fine->start, $this->shown)) {
            return $this->shown[$fine->start];
        }
        $scenario = $this->scenarioAt($fine);
        $isShown = null !== $scenario && $this->coverage->covers($scenario, $fine);
        $isOfMonth =
            null !== $scenario
            && $scenario !== $this->scenario
            && $this->isOpen($fine)
            && $this->coverage->knowsMonthOnly($scenario, $fine);

        return $this->shown[$fine->start] = match (true) {
            !$isShown => null,
            $isOfMonth => $this->coverage->isProRata ? $this->share($scenario, $fine) : null,
            default => $this->coverage->kept($scenario, $fine),
        };
    }

    /** Whether a scenario has one figure for the whole month that is not over. */
    public function knowsOpenMonthOnly(Scenario $scenario): bool
    {
        $open = $this->coverage->open;

        return null !== $open
            && $this->coverage->knowsMonthOnly($scenario, Period::ofStart(Grain::Day, $open->month->firstDay()));
    }

    /** What a day has of the one figure that a scenario has for its month. */
    private function share(Scenario $scenario, Period $day): ?KeptPeriod
    {
        $at = $this->coverage->maybeOfMonth($scenario, $day);

        return null === $at || null === $this->coverage->open
            ? null
            : new KeptPeriod([$at], [], true, $this->coverage->open->days);
    }

    private function isOpen(Period $fine): bool
    {
        return true === $this->coverage->open?->holds($fine);
    }

    /**
     * Whether a scenario's figure of the month that is not over stands beside actuals that end within it.
     */
    private function cannotBeCut(Scenario $scenario, Period $fine): bool
    {
        return Scenario::Actual === $this->scenario
            && Scenario::Actual !== $scenario
            && !$this->goesOn
            && $this->isOpen($fine)
            && $this->coverage->knowsMonthOnly($scenario, $fine);
    }

    /** What a scenario has at a period; null where it does not cover it. */
    public function valueAt(Scenario $scenario, Period $fine): ?KeptPeriod
    {
        $known = $this->values[$scenario->value] ?? [];
        if (\array_key_exists($fine->start, $known)) {
            return $known[$fine->start];
        }

        return $this->values[$scenario->value][$fine->start] = $this->value($scenario, $fine);
    }

    private function value(Scenario $scenario, Period $fine): ?KeptPeriod
    {
        if ($this->isCut($scenario, $fine) || !$this->coverage->covers($scenario, $fine)) {
            return null;
        }
        $isShared = $this->coverage->isProRata && $scenario !== $this->forecast && $this->cannotBeCut($scenario, $fine);

        return match (true) {
            !$isShared => $this->coverage->kept($scenario, $fine),
            $fine->isAfter($this->closing) => null,
            default => $this->share($scenario, $fine),
        };
    }

    /** Where the amounts of a reference are kept at a period that is compared. */
    public function referenceAt(Scenario $reference, Period $fine): KeptPeriod
    {
        return $this->valueAt($reference, $fine) ?? $this->coverage->kept($reference, $fine);
    }

    /** Which sides of a comparison a period has. */
    public function side(Scenario $reference, Period $fine): ComparedSide
    {
        return $this->sides[$reference->value][$fine->start] ??= $this->decided($reference, $fine);
    }

    /** Days without any figure are covered by their month; where only one side covers them, nothing is left out. */
    private function decided(Scenario $reference, Period $fine): ComparedSide
    {
        $scenario = $this->scenarioAt($fine);
        $isShown = null !== $scenario && $this->coverage->covers($scenario, $fine, $reference);
        $isHeld = $this->coverage->covers($reference, $fine, $scenario);
        if ($this->isUncut($reference, $fine) && ($isShown || $isHeld)) {
            return $fine->isAfter($this->closing) ? ComparedSide::ReferenceOnly : ComparedSide::ShownOnly;
        }
        if ($this->cannotBeCut($reference, $fine)) {
            $isHeld = $isHeld && !$fine->isAfter($this->closing);
        }

        return match (true) {
            $isShown && $isHeld => ComparedSide::Both,
            $isShown && $this->coverage->kept($scenario, $fine)->hasFigure => ComparedSide::ShownOnly,
            $isHeld && $this->coverage->kept($reference, $fine)->hasFigure => ComparedSide::ReferenceOnly,
            default => ComparedSide::Neither,
        };
    }

    /** Whether a reference's figure of the month that is not over is taken by the days that have passed. */
    public function takesProRata(Scenario $reference): bool
    {
        $open = $this->coverage->open;

        return null !== $open
            && $this->coverage->isProRata
            && $this->cannotBeCut($reference, Period::ofStart(Grain::Day, $open->month->firstDay()));
    }

    /** Whether a day is left out of a comparison because its month is not over. */
    public function isUncut(Scenario $reference, Period $fine): bool
    {
        $isHeldAgainst = Scenario::Actual === $reference && Scenario::Actual !== $this->scenario;

        return $isHeldAgainst
            ? $this->isOpen($fine) && $this->coverage->knowsMonthOnly($this->scenario, $fine)
            : !$this->coverage->isProRata && $this->cannotBeCut($reference, $fine);
    }

    /** Actuals that are shown end with the closing period, whatever has come in after it. */
    private function isCut(Scenario $scenario, Period $fine): bool
    {
        return Scenario::Actual === $scenario && Scenario::Actual === $this->scenario && $fine->isAfter($this->closing);
    }
}
