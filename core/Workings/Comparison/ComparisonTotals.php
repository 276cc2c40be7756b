<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Comparison;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Rows\Landing;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slices;

/** The sums behind a comparison: of all that is asked, of the closed part of the year, and where the year will land. */
final readonly class ComparisonTotals
{
    /**
     * @param Total $total none of its references has a sum where the rows have none in common
     * @param ?Total $toDate null: no period of the year is closed, or rows are members
     * @param ?Landing $landing null: no forecast is shown for the rest of the year, or rows are members
     * @param bool $showsForecast whether open periods show forecast in place of actuals
     * @param bool $isNet whether the total is that of lines of which some take away
     */
    private function __construct(
        public Total $total,
        public ?Total $toDate,
        public ?Landing $landing,
        public bool $showsForecast,
        public bool $isNet,
    ) {}

    /** @param list<Reference> $references */
    public static function of(
        Scope $scope,
        ComparisonRows $made,
        Slices $slices,
        Measure $measure,
        Figures $figures,
        array $references,
    ): self {
        $question = $scope->question;
        $all = $figures->sums($measure->sources(), $question->where);
        $whole = static fn (FinePeriods $fine): Total => $made->comparison->total($fine, $all, $scope->better);
        $net = $slices->maybeNet()?->sums($measure->sources(), $question->where);
        $total = match (true) {
            null !== $net => $made->comparison->total($scope->fine, $net, $scope->better),
            $slices->hasTotal() => $whole($scope->fine),
            default => Total::none($references),
        };
        $isOverTime = null === $question->breakdown();
        $closed = $scope->closedThisYear();
        $toDate = $isOverTime && !$closed->isEmpty() ? $made->toDate()->total($closed, $all, $scope->better) : null;

        $shows = $made->comparison->shows(...);
        $isForecast = static fn (Period $period): bool => $period->isAfter($scope->closing) && $shows($period);
        $showsForecast =
            null !== $question->forecast
            && Scenario::Actual === $question->scenario
            && !$scope->fine->only($isForecast)->isEmpty();
        $year = $scope->wholeYear();
        $landing = $showsForecast && $isOverTime && !$year->only($isForecast)->isEmpty()
            ? new Landing($whole($year), $year, $year->only($shows), $scope->year)
            : null;

        return new self($total, $toDate, $landing, $showsForecast, null !== $net);
    }
}
