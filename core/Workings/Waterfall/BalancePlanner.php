<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Words\PeriodsOfRows;

/**
 * Plans bridges over periods: from the value at the end of the period before the span, by movements, to that at the end
 * of the span. Sides reach from the first figure of the dataset: of movements they are running totals, of a balance its
 * last value.
 */
final readonly class BalancePlanner
{
    private const ENDS = ['Opening', 'Closing'];

    private Comparison $comparison;

    public function __construct(private WaterfallScope $of)
    {
        $this->comparison = $of->comparison();
    }

    public function plan(BalanceBridge $bridge): BridgePlan
    {
        $scope = $this->of->scope;
        $span = $scope->fine->only($this->comparison->shows(...));
        [$before, $through] = [$this->until($span->first(), false), $this->until($span->last(), true)];
        $isForecast = $this->comparison->plan($span)->forecast()->periods > 0;
        $scenario = $scope->question->scenario;
        $leg = new Leg(
            place: 0,
            from: new BridgeEnd(self::ENDS[0], 'opening', $scenario),
            to: new BridgeEnd(self::ENDS[1], 'closing', $isForecast ? Scenario::Forecast : $scenario),
            first: $this->side($before),
            second: $this->side($through),
            parts: fn (Grain $by): array => array_map(
                fn (PeriodOfFine $part): LegPart => new LegPart(
                    $part->period,
                    $this->side($this->until($part->fine->first(), false)),
                    $this->side($this->until($part->fine->last(), true)),
                ),
                PeriodOfFine::all($span, $by, $scope->dataset->calendar),
            ),
        );
        $stated = null === $bridge->balance ? null : $scope->dataset->maybeMeasure($bridge->balance);
        $missing = $scope->fine
            ->without($span)
            ->only(static fn (Period $one): bool => true === $span->last()?->isAfter($one));

        return new BridgePlan(
            legs: [$leg],
            checks: $missing->isEmpty()
                ? []
                : [new Check(
                    'none-missing',
                    false,
                    'There are no figures of '.(new PeriodsOfRows($scope))->names($missing->list),
                )],
            words: 'from opening to closing value',
            span: $span,
            stated: null === $stated ? null : new StatedBalance($this->of, $stated, $before, $through),
        );
    }

    private function side(FinePeriods $fine): BridgeSide
    {
        return new BridgeSide($this->comparison->plan($fine)->shown(), $fine);
    }

    /** All periods of the dataset before another one, or through it. */
    private function until(?Period $period, bool $isThrough): FinePeriods
    {
        $dataset = $this->of->scope->dataset;
        $range = $dataset->range();
        $lastDay = match (true) {
            null === $period => $range->firstDay - 1,
            $isThrough => $period->lastDay(),
            default => $period->firstDay() - 1,
        };
        $reach = new PeriodRange($range->firstDay, $lastDay);

        return new FinePeriods($reach->belonging($dataset->grain, $dataset->calendar));
    }
}
