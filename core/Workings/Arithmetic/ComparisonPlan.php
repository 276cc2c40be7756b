<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;

/**
 * Which of some finest periods are put together: for what is shown, for each scenario and for each comparison. It is
 * the same for every row of these periods, as coverage is that of the whole dataset. Each part is made when it is first
 * asked for.
 */
final class ComparisonPlan
{
    private ?ScenarioPeriods $shown = null;
    /** @var list<Period> */
    private array $periods = [];
    private ?ScenarioPeriods $forecast = null;
    /** @var array<string, ScenarioPeriods> by scenario code */
    private array $values = [];
    /** @var array<string, PlannedPair> by the reference's code */
    private array $pairs = [];

    public function __construct(
        private readonly ComparisonPlanner $planner,
        private readonly MeasureCoverage $coverage,
        private readonly FinePeriods $fine,
    ) {}

    /** Each period in the scenario that is shown at it. */
    public function shown(): ScenarioPeriods
    {
        if (null !== $this->shown) {
            return $this->shown;
        }
        $this->shown = new ScenarioPeriods();
        $this->forecast = new ScenarioPeriods();
        $hasForecast = null !== $this->planner->forecast;
        foreach ($this->fine->list as $period) {
            $kept = $this->planner->shownAt($period);
            if (null === $kept) {
                continue;
            }
            $this->shown->add($kept);
            $this->periods[] = $period;
            if ($hasForecast && $this->planner->scenarioAt($period) !== $this->planner->scenario) {
                $this->forecast->add($kept);
            }
        }

        return $this->shown;
    }

    /** @return list<Period> that are shown */
    public function periods(): array
    {
        $this->shown();

        return $this->periods;
    }

    /** Those that are shown and forecast. */
    public function forecast(): ScenarioPeriods
    {
        $this->shown();

        return $this->forecast ?? new ScenarioPeriods();
    }

    /** What a scenario has, whether it is shown or not. */
    public function values(Scenario $scenario): ScenarioPeriods
    {
        if ($this->isAllShown($scenario)) {
            return $this->shown();
        }
        if (isset($this->values[$scenario->value])) {
            return $this->values[$scenario->value];
        }
        $values = new ScenarioPeriods();
        foreach ($this->fine->list as $period) {
            $kept = $this->planner->valueAt($scenario, $period);
            null === $kept || $values->add($kept);
        }

        return $this->values[$scenario->value] = $values;
    }

    /** Whether a scenario has just what is shown, so that it is looked up once. */
    private function isAllShown(Scenario $scenario): bool
    {
        $isOne = 1 === \count($this->fine->list);

        return match (true) {
            $scenario === $this->planner->scenario => 0 === $this->forecast()->periods,
            $isOne && $scenario === $this->planner->forecast => $this->planner->scenarioAt($this->fine->list[0]) ===
                $scenario,
            default => false,
        };
    }

    /** What is shown against a reference. */
    public function pair(Scenario $reference): PlannedPair
    {
        return $this->pairs[$reference->value] ??= $this->compared($reference);
    }

    /** What is shown of some members against the same of others. */
    public function withinShown(): PlannedPair
    {
        return new PlannedPair(null, $this->shown(), $this->shown(), $this->periods(), new LeftOut());
    }

    private function compared(Scenario $reference): PlannedPair
    {
        $both = $shownOnly = $referenceOnly = [];
        foreach ($this->fine->list as $period) {
            match ($this->planner->side($reference, $period)) {
                ComparedSide::Both => ($both[] = $period),
                ComparedSide::ShownOnly => ($shownOnly[] = $period),
                ComparedSide::ReferenceOnly => ($referenceOnly[] = $period),
                ComparedSide::Neither => null,
            };
        }
        // Where nothing is left out, the very same sums serve for values and variances.
        if ([] === $shownOnly && [] === $referenceOnly) {
            return new PlannedPair($reference, $this->shown(), $this->values($reference), $both, new LeftOut());
        }
        $ofShown = new ScenarioPeriods();
        $ofReference = new ScenarioPeriods();
        foreach ($both as $period) {
            $ofShown->add(
                $this->planner->shownAt($period) ??
                    $this->coverage->kept($this->planner->scenarioAt($period) ?? $this->planner->scenario, $period),
            );
            $ofReference->add($this->planner->referenceAt($reference, $period));
        }

        return new PlannedPair($reference, $ofShown, $ofReference, $both, new LeftOut($shownOnly, $referenceOnly));
    }
}
