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
final class Comparison
{
    /** @var array<int, ?Scenario> the scenario shown at a period, by its start; none where it is missing */
    private array $shownAt = [];

    /** @param list<Scenario> $against */
    public function __construct(
        private readonly Amounts $amounts,
        private readonly Scenario $scenario,
        private readonly ?Scenario $forecast,
        private readonly array $against,
        private readonly Period $closing,
        private readonly Better $better,
        private readonly Flag $flag,
        private readonly bool $inPoints,
    ) {
    }

    /**
     * The total with what it is made of.
     *
     * @param list<Period>   $fine
     * @param list<Scenario> $scenarios
     */
    public function whole(array $fine, array $scenarios): Total
    {
        $total = $this->total($fine);
        $codes = array_map(static fn (Scenario $scenario): string => $scenario->value, $scenarios);

        return new Total($total->shown, $total->variances, $total->leftOut, array_combine($codes, array_map(fn (Scenario $scenario): ?BigDecimal => $this->value($scenario, $fine), $scenarios)));
    }

    /** @param list<Period> $fine */
    public function total(array $fine): Total
    {
        $cells = $variances = $leftOut = [];
        foreach ($fine as $i => $period) {
            $scenario = $this->shownAt($period);
            if (null !== $scenario) {
                $cells[$i] = [$scenario, $period];
            }
        }
        $shown = $this->amounts->together(array_values($cells));
        foreach ($this->against as $reference) {
            $held = $both = $one = [];
            foreach ($fine as $i => $period) {
                $isHeld = $this->amounts->has($reference, $period);
                if ($isHeld !== isset($cells[$i])) {
                    $one[] = $period;
                } elseif ($isHeld) {
                    $held[] = [$reference, $period];
                    $both[] = $cells[$i];
                }
            }
            $leftOut[$reference->value] = $one;
            $variances[$reference->value] = Variance::maybe([] === $one ? $shown : $this->amounts->together($both), $this->amounts->together($held), $this->better, $this->flag, $this->inPoints);
        }

        return new Total($shown, $variances, $leftOut);
    }

    /** @param list<Period> $fine */
    public function value(Scenario $scenario, array $fine): ?BigDecimal
    {
        $cells = [];
        foreach ($fine as $period) {
            if ($this->amounts->has($scenario, $period)) {
                $cells[] = [$scenario, $period];
            }
        }

        return $this->amounts->together($cells);
    }

    /**
     * The scenario of a group: forecast as soon as part of it is.
     *
     * @param list<Period> $fine
     */
    public function scenarioOf(array $fine): ?Scenario
    {
        $scenario = null;
        foreach ($fine as $period) {
            $scenario = $this->shownAt($period) ?? $scenario;
        }

        return $scenario;
    }

    public function has(Scenario $scenario, Period $period): bool
    {
        return $this->amounts->has($scenario, $period);
    }

    public function shows(Period $period): bool
    {
        return null !== $this->shownAt($period);
    }

    /** @param list<Period> $fine */
    public function shown(array $fine): ?BigDecimal
    {
        $cells = [];
        foreach ($fine as $period) {
            $scenario = $this->shownAt($period);
            if (null !== $scenario) {
                $cells[] = [$scenario, $period];
            }
        }

        return $this->amounts->together($cells);
    }

    private function shownAt(Period $period): ?Scenario
    {
        if (!\array_key_exists($period->start, $this->shownAt)) {
            $scenario = Scenario::Actual === $this->scenario && $period->isAfter($this->closing) ? $this->forecast : $this->scenario;
            $this->shownAt[$period->start] = null !== $scenario && $this->amounts->has($scenario, $period) ? $scenario : null;
        }

        return $this->shownAt[$period->start];
    }
}
