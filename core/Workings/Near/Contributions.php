<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\GoalEstimate;
use KeenMargin\Core\Workings\Rows\Scope;

/**
 * What came in period by period up to the closing period, and how long it would take to reach a goal at the last rate:
 * the sum of the last contributions over the periods since the first of them. Days are taken by months; where the books
 * are closed within a month, as days. Of balances, contributions are what they changed by.
 */
final readonly class Contributions
{
    /** How many of the last ones make the rate. */
    private const LAST = 3;
    /** Days that a rate by days is taken over at least: three days in a row are no rate. */
    private const LEAST_DAYS = 7;
    /** Periods beyond which an estimate says nothing. */
    private const FAR = 1200;

    /** @var list<array{Period, FinePeriods}> closed periods with their finest ones, in calendar order */
    private array $closed;
    /** @var int<0, max> periods of the span after the closing period */
    public int $left;
    public Grain $grain;

    public function __construct(private Scope $scope, private Comparison $comparison)
    {
        $fine = $scope->dataset->grain;
        $this->grain = Grain::Day === $fine && null === $scope->open ? Grain::Month : $fine;
        $closed = $after = [];
        $unit = null;
        foreach ($scope->dataset->isTimeless() ? [] : $scope->fine->list as $period) {
            // Days of one month come one after the other.
            $isSame = null !== $unit && $period->firstDay() <= $unit->lastDay();
            $unit = match (true) {
                $this->grain === $fine => $period,
                $isSame => $unit,
                default => $period->group($this->grain, $scope->dataset->calendar),
            };
            if ($period->isAfter($scope->closing)) {
                $after[$unit->start] = true;
            } else {
                $closed[$unit->start][0] = $unit;
                $closed[$unit->start][1][] = $period;
            }
        }
        $this->closed = array_values(
            array_map(static fn (array $one): array => [$one[0], new FinePeriods($one[1])], $closed),
        );
        $this->left = \count(array_diff_key($after, $closed));
    }

    /** Whether a period is one of the span. */
    public function isWithin(Period $period): bool
    {
        return $period->lastDay() <= $this->scope->range->lastDay;
    }

    /** Whether amounts come in over time, so that there is a rate: of averages and ratios there is none. */
    public function areTold(): bool
    {
        return [] !== $this->closed
            && \in_array($this->scope->measure->grouping, [Grouping::Sum, Grouping::Last], true);
    }

    /**
     * @param Sums $sums of the row
     * @param BigDecimal $remaining to the goal
     *
     * @return ?GoalEstimate null where there are no contributions
     */
    public function estimate(Sums $sums, BigDecimal $remaining): ?GoalEstimate
    {
        $isBalance = Grouping::Last === $this->scope->measure->grouping;
        $last = $isBalance ? $this->lastChanges($sums) : $this->lastAmounts($sums);
        if ([] === $last) {
            return null;
        }
        $sum = Fraction::from(BigDecimal::zero());
        foreach ($last as $one) {
            $sum = $sum->plus($one->amount);
        }
        [$from, $to] = [$last[\count($last) - 1]->period, $this->closed[\count($this->closed) - 1][0]];
        $since = array_filter($this->closed, static fn (array $one): bool => !$from->isAfter($one[0]));
        $periods = max(\count($since), Grain::Day === $this->grain ? self::LEAST_DAYS : 1);
        $rate = Fraction::of($sum->numerator, $sum->denominator->multipliedBy($periods));
        $reached = null;
        if ($remaining->getSign() > 0 && $rate->getSign() > 0) {
            $needed = $remaining
                ->multipliedBy($rate->denominator)
                ->dividedBy($rate->numerator, 0, RoundingMode::Up)
                ->toBigInteger();
            $reached = $needed->isLessThanOrEqualTo(self::FAR) ? $to->moved($needed->toInt()) : null;
        }

        return new GoalEstimate(\count($last), $from, $to, (new Rounding(strips: true))->of($rate), $reached);
    }

    /** @return list<Contribution> the last ones, the latest first */
    private function lastAmounts(Sums $sums): array
    {
        $last = [];
        foreach (array_reverse($this->closed) as [$period, $fine]) {
            $amount = $this->comparison->exact($fine, $sums);
            if (null !== $amount) {
                $last[] = new Contribution($period, $amount);
            }
            if (self::LAST === \count($last)) {
                break;
            }
        }

        return $last;
    }

    /** @return list<Contribution> what the balance changed by, the latest first */
    private function lastChanges(Sums $sums): array
    {
        $last = [];
        $later = null;
        foreach (array_reverse($this->closed) as [$period, $fine]) {
            $balance = $this->comparison->exact($fine, $sums);
            if (null === $balance) {
                continue;
            }
            if (null !== $later) {
                $last[] = new Contribution($later->period, Fraction::from($later->amount)->minus($balance));
            }
            if (self::LAST === \count($last)) {
                break;
            }
            $later = new Contribution($period, $balance);
        }

        return $last;
    }
}
