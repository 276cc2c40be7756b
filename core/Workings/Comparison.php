<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Flag;
use KeenMargin\Core\Time\Period;

/**
 * Sets the shown scenario against its references for any group of finest periods: a row, a total, a landing.
 * Shown is the scenario up to the closing period and the forecast after it.
 */
final readonly class Comparison
{
    /** @param list<Scenario> $against */
    public function __construct(
        private Amounts $amounts,
        private Scenario $scenario,
        private ?Scenario $forecast,
        private array $against,
        private Period $closing,
        private Better $better,
        private Flag $flag,
        private bool $inPoints,
    ) {
    }

    /** @param list<Period> $fine */
    public function total(array $fine): Total
    {
        $variances = [];
        $leftOut = [];
        foreach ($this->against as $reference) {
            $both = array_values(array_filter($fine, fn (Period $period): bool => $this->shows($period) && $this->amounts->has($reference, $period)));
            $leftOut[$reference->value] = array_values(array_filter($fine, fn (Period $period): bool => $this->shows($period) !== $this->amounts->has($reference, $period)));
            $variances[$reference->value] = Variance::maybe($this->shown($both), $this->value($reference, $both), $this->better, $this->flag, $this->inPoints);
        }

        return new Total($this->shown($fine), $variances, $leftOut);
    }

    /** @param list<Period> $fine */
    public function value(Scenario $scenario, array $fine): ?BigDecimal
    {
        return $this->amounts->together(array_map(static fn (Period $period): array => [$scenario, $period], array_values(array_filter($fine, fn (Period $period): bool => $this->amounts->has($scenario, $period)))));
    }

    /**
     * The scenario of a group: forecast as soon as part of it is.
     *
     * @param list<Period> $fine
     */
    public function scenarioOf(array $fine): ?Scenario
    {
        $shown = array_values(array_filter($fine, $this->shows(...)));

        return [] === $shown ? null : $this->scenarioAt($shown[\count($shown) - 1]);
    }

    /** @param list<Period> $fine */
    private function shown(array $fine): ?BigDecimal
    {
        $cells = [];
        foreach ($fine as $period) {
            if ($this->shows($period)) {
                $cells[] = [$this->scenarioAt($period) ?? $this->scenario, $period];
            }
        }

        return $this->amounts->together($cells);
    }

    public function shows(Period $period): bool
    {
        $scenario = $this->scenarioAt($period);

        return null !== $scenario && $this->amounts->has($scenario, $period);
    }

    private function scenarioAt(Period $period): ?Scenario
    {
        return Scenario::Actual === $this->scenario && $period->isAfter($this->closing) ? $this->forecast : $this->scenario;
    }
}
