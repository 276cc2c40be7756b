<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\LeftOut;

/**
 * Decides by coverage which finest periods take part in what. Shown is the scenario up to the closing period and the forecast
 * after it; periods that only one side of a comparison covers are left out of both.
 */
final readonly class ComparisonPlanner
{
    /** @param list<Scenario> $against */
    public function __construct(
        private MeasureCoverage $coverage,
        private Scenario $scenario,
        private ?Scenario $forecast,
        private array $against,
        private Period $closing,
    ) {
    }

    public function plan(FinePeriods $fine): ComparisonPlan
    {
        $shown = new ScenarioPeriods($this->coverage);
        $forecast = new ScenarioPeriods($this->coverage);
        $periods = [];
        foreach ($fine->list as $period) {
            $scenario = $this->scenarioAt($period);
            if (null === $scenario || !$this->coverage->covers($scenario, $period)) {
                continue;
            }
            $shown->add($scenario, $period);
            $periods[] = $period;
            if ($scenario !== $this->scenario) {
                $forecast->add($scenario, $period);
            }
        }
        $values = $pairs = [];
        foreach ($this->against as $reference) {
            $values[$reference->value] = $this->values($reference, $fine);
            $pairs[$reference->value] = $this->pair($reference, $fine, $shown, $values[$reference->value]);
        }
        $ownValues = [];
        foreach (array_filter([$this->scenario, $this->forecast]) as $scenario) {
            $isAllShown = null === $this->forecast;
            $ownValues[$scenario->value] = $isAllShown ? $shown : $this->values($scenario, $fine);
        }
        $values = array_replace($ownValues, $values);

        return new ComparisonPlan($shown, $periods, $forecast, $values, $pairs);
    }

    /** The scenario that is to be shown at a period; null after the closing period where no forecast is asked for. */
    public function scenarioAt(Period $fine): ?Scenario
    {
        return $this->isCut($this->scenario, $fine) ? $this->forecast : $this->scenario;
    }

    /** Actuals that are shown end with the closing period, whatever has come in after it. */
    private function isCut(Scenario $scenario, Period $fine): bool
    {
        return Scenario::Actual === $scenario && Scenario::Actual === $this->scenario && $fine->isAfter($this->closing);
    }

    private function values(Scenario $scenario, FinePeriods $fine): ScenarioPeriods
    {
        $values = new ScenarioPeriods($this->coverage);
        foreach ($fine->list as $period) {
            if (!$this->isCut($scenario, $period) && $this->coverage->covers($scenario, $period)) {
                $values->add($scenario, $period);
            }
        }

        return $values;
    }

    /** Days without any figure are covered by their month; where only one side covers them, nothing is left out. */
    private function hasFigure(Scenario $scenario, Period $fine): bool
    {
        foreach ($this->coverage->kept($scenario, $fine) as $at) {
            if ($this->coverage->hasFigure($at)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param ScenarioPeriods $shown  all that is shown
     * @param ScenarioPeriods $values all of the reference
     */
    private function pair(Scenario $reference, FinePeriods $fine, ScenarioPeriods $shown, ScenarioPeriods $values): PlannedPair
    {
        $ofShown = new ScenarioPeriods($this->coverage);
        $ofReference = new ScenarioPeriods($this->coverage);
        $both = $shownOnly = $referenceOnly = [];
        foreach ($fine->list as $period) {
            $scenario = $this->scenarioAt($period);
            $isShown = null !== $scenario && $this->coverage->covers($scenario, $period, $reference);
            $isHeld = $this->coverage->covers($reference, $period, $scenario);
            if ($isShown && $isHeld) {
                $ofShown->add($scenario, $period);
                $ofReference->add($reference, $period);
                $both[] = $period;
            } elseif ($isShown && $this->hasFigure($scenario, $period)) {
                $shownOnly[] = $period;
            } elseif ($isHeld && $this->hasFigure($reference, $period)) {
                $referenceOnly[] = $period;
            }
        }

        $leftOut = new LeftOut($shownOnly, $referenceOnly);

        // Where nothing is left out, the very same sums serve for values and variances.
        return $leftOut->isEmpty()
            ? new PlannedPair($reference, $shown, $values, $both, $leftOut)
            : new PlannedPair($reference, $ofShown, $ofReference, $both, $leftOut);
    }
}
