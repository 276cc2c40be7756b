<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Comparison;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\Cumulation;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\MeasureCoverage;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Rows\MemberSizes;
use KeenMargin\Core\Workings\Rows\Panel;
use KeenMargin\Core\Workings\Rows\RowContent;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slice;

/** Sets the shown scenario of one measure against its references, row by row. */
final readonly class ComparisonRows implements RowContent
{
    public Comparison $comparison;

    /** @param Measure $measure the question's, or the one of several that is compared */
    public function __construct(private Scope $scope, private Measure $measure, Figures $figures)
    {
        $question = $scope->question;
        $coverage = new MeasureCoverage(
            $measure,
            ($figures instanceof NetFigures ? $figures->figures : $figures)->sums($scope->sources, []),
            $scope->dataset,
            $scope->closing,
            $scope->open,
        );
        $this->comparison = new Comparison(
            measure: $measure,
            coverage: $coverage,
            scenario: $question->scenario,
            forecast: $question->forecast,
            against: $question->against,
            closing: $scope->closing,
            flag: $question->flag,
        );
    }

    /**
     * The same for what is closed alone: within a month that is not over, actuals end though a forecast goes on.
     */
    public function toDate(): Comparison
    {
        return null === $this->scope->open ? $this->comparison : $this->comparison->withoutForecast();
    }

    public function hasFigures(FinePeriods $fine, Sums $sums): bool
    {
        return $this->comparison->hasFigures($fine, $sums);
    }

    public function sizes(FinePeriods $fine, array $sums): array
    {
        return MemberSizes::of($sums, $this->measure, $this->comparison, $fine);
    }

    public function row(Slice $slice, Panel $panel): Row
    {
        $total = $this->comparison->total($slice->fine, $slice->sums, $this->scope->betterOf($slice->member));
        if (null === $this->scope->question->cumulate) {
            return self::of(
                slice: $slice,
                panel: $panel,
                values: $total->values,
                shown: $total->shown,
                variances: $total->variances,
                comparison: $this->comparison,
                exact: $total->exact,
            );
        }
        $isWhole = $this->isWhole($slice);
        $values = $variances = [];
        foreach ($total->values as $code => $value) {
            $values[$code] = $this->isWhole($slice, $code) ? $value : null;
        }
        foreach ($total->variances as $code => $variance) {
            $variances[$code] = $isWhole && $this->isWhole($slice, $code) ? $variance : null;
        }
        $values['own'] = $this->own($slice);
        $shown = $isWhole ? $total->shown : null;

        return self::of(
            slice: $slice,
            panel: $panel,
            values: $values,
            shown: $shown,
            variances: $variances,
            comparison: $this->comparison,
            exact: $isWhole ? $total->exact : null,
        );
    }

    /**
     * The row of a slice with the given numbers.
     *
     * @param array<string, ?BigDecimal> $values
     * @param array<string, ?Variance> $variances
     * @param BigDecimal|Fraction|null $exact what is shown before it is rounded
     * @param bool $lacksPart whether one of its parts has no figure beside another
     */
    public static function of(
        Slice $slice,
        Panel $panel,
        array $values,
        ?BigDecimal $shown,
        array $variances,
        Comparison $comparison,
        BigDecimal|Fraction|null $exact = null,
        bool $lacksPart = false,
    ): Row {
        $hasNumber = null !== $shown || [] !== array_filter($variances);
        $scenario = $hasNumber ? self::scenario($slice, $comparison) : null;
        $isOpen = Scenario::Forecast === $scenario;

        return new Row(
            key: $slice->key->inPanel($panel->key),
            label: null === $panel->key ? $slice->label : "{$panel->name}: {$slice->label}",
            name: $slice->name,
            values: $values,
            shown: $shown,
            shownScenario: $scenario,
            variances: $variances,
            role: $slice->role,
            period: $slice->period,
            depth: $slice->depth,
            panel: $panel->name,
            exact: $exact,
            fine: $slice->fine,
            own: $slice->own,
            lacksPart: $lacksPart,
            closedTo: $isOpen ? $comparison->lastClosed($slice->own, $slice->sums) : null,
        );
    }

    /** What is shown of a slice; null where a running total is not whole. */
    public function shown(Slice $slice): ?BigDecimal
    {
        return $this->isWhole($slice) ? $this->comparison->shown($slice->fine, $slice->sums) : null;
    }

    /** What the period alone adds to a running total. */
    public function own(Slice $slice): ?BigDecimal
    {
        return RowRole::Landing === $slice->role ? null : $this->comparison->shown($slice->own, $slice->sums);
    }

    /** That of the row's own figures; where it has none, of those before them, else the one that would be shown. */
    private static function scenario(Slice $slice, Comparison $comparison): ?Scenario
    {
        return $comparison->scenarioOf($slice->own, $slice->sums) ??
            ($comparison->scenarioOf($slice->fine, $slice->sums) ?? $comparison->plannedScenario($slice->own));
    }

    /**
     * A running total stops where its own period is missing; a moving one is whole or not at all.
     *
     * @param ?string $code of a scenario; null: what is shown
     */
    public function isWhole(Slice $slice, ?string $code = null): bool
    {
        if (null === $this->scope->question->cumulate || RowRole::Landing === $slice->role) {
            return true;
        }
        $isMoving = Cumulation::Moving === $this->scope->question->cumulate;
        $plan = $this->comparison->plan($isMoving ? $slice->fine : $slice->own);
        $periods = (null === $code ? $plan->shown() : $plan->values(Scenario::from($code)))->periods;

        return $isMoving ? $periods === \count($slice->fine->list) : $periods > 0;
    }
}
