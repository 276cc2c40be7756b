<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;

/**
 * Decides by coverage what a finest period takes part in. Shown is the scenario up to the closing period and the
 * forecast after it; periods that only one side of a comparison covers are left out of both. What was decided is kept:
 * rows, totals and landings are made of the same periods.
 */
final class ComparisonPlanner
{
    /** @var array<int, ?KeptPeriod> by start */
    private array $shown = [];
    /** @var array<string, array<int, ?KeptPeriod>> by scenario code and start */
    private array $values = [];
    /** @var array<string, array<int, ComparedSide>> by the reference's code and start */
    private array $sides = [];

    public function __construct(
        private readonly MeasureCoverage $coverage,
        public readonly Scenario $scenario,
        public readonly ?Scenario $forecast,
        private readonly Period $closing,
    ) {
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

        return $this->shown[$fine->start] = $isShown ? $this->coverage->kept($scenario, $fine) : null;
    }

    /** What a scenario has at a period; null where it does not cover it. */
    public function valueAt(Scenario $scenario, Period $fine): ?KeptPeriod
    {
        $known = $this->values[$scenario->value] ?? [];
        if (\array_key_exists($fine->start, $known)) {
            return $known[$fine->start];
        }
        $isThere = !$this->isCut($scenario, $fine) && $this->coverage->covers($scenario, $fine);

        return $this->values[$scenario->value][$fine->start] = $isThere
            ? $this->coverage->kept($scenario, $fine)
            : null;
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

        return match (true) {
            $isShown && $isHeld => ComparedSide::Both,
            $isShown && $this->coverage->kept($scenario, $fine)->hasFigure => ComparedSide::ShownOnly,
            $isHeld && $this->coverage->kept($reference, $fine)->hasFigure => ComparedSide::ReferenceOnly,
            default => ComparedSide::Neither,
        };
    }

    /** Actuals that are shown end with the closing period, whatever has come in after it. */
    private function isCut(Scenario $scenario, Period $fine): bool
    {
        return Scenario::Actual === $scenario
            && Scenario::Actual === $this->scenario
            && $fine->isAfter($this->closing);
    }
}
