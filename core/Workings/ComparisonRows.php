<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Cumulation;
use KeenMargin\Core\Time\Period;

/** Sets the shown scenario of one measure against its references, row by row. */
final class ComparisonRows
{
    private ?Sums $of = null;
    private ?Better $better = null;
    private ?Comparison $comparison = null;

    /** @param Measure $measure the question's, or the one of several that is compared */
    public function __construct(private readonly Scope $scope, private readonly Measure $measure, private readonly ?bool $derivesPriorYear = null)
    {
    }

    public function row(Slice $slice, string $panel): Row
    {
        $comparison = $this->over($slice->sums, $this->scope->betterOf($slice->member));
        $total = $comparison->total($slice->fine);
        $isWhole = $this->isWhole($comparison, $slice);
        $values = [];
        foreach ($this->scope->scenarios() as $scenario) {
            $values[$scenario->value] = $this->value($slice, $scenario);
        }
        $variances = $total->variances;
        foreach ($variances as $code => $variance) {
            $variances[$code] = $isWhole && null !== ($values[$code] ?? null) ? $variance : null;
        }
        if (null !== $this->scope->question->cumulate) {
            $values['own'] = $this->own($slice);
        }
        $shown = $isWhole ? $total->shown : null;

        return self::of($slice, $panel, $values, $shown, null === $shown ? null : $comparison->scenarioOf($slice->own), $variances);
    }

    /**
     * @param array<string, ?BigDecimal> $values
     * @param array<string, ?Variance>   $variances
     */
    public static function of(Slice $slice, string $panel, array $values, ?BigDecimal $shown, ?Scenario $scenario, array $variances): Row
    {
        return new Row(self::key($panel, $slice->key), self::label($panel, $slice->label), $slice->name, $values, $shown, $scenario, $variances, $slice->role, $slice->period, $slice->depth, $panel);
    }

    /** What is shown of a slice; missing where a running total is not whole. */
    public function shown(Slice $slice): ?BigDecimal
    {
        $comparison = $this->over($slice->sums);

        return $this->isWhole($comparison, $slice) ? $comparison->shown($slice->fine) : null;
    }

    public function value(Slice $slice, Scenario $scenario): ?BigDecimal
    {
        $comparison = $this->over($slice->sums);

        return $this->has($comparison, $scenario, $slice) ? $comparison->value($scenario, $slice->fine) : null;
    }

    /** What the period alone adds to a running total. */
    public function own(Slice $slice): ?BigDecimal
    {
        return RowRole::Landing === $slice->role ? null : $this->over($slice->sums)->shown($slice->own);
    }

    public static function key(string $panel, string $key): string
    {
        return '' === $panel ? $key : "$panel/$key";
    }

    public static function label(string $panel, string $label): string
    {
        return '' === $panel ? $label : "$panel: $label";
    }

    public function over(Sums $sums, ?Better $better = null): Comparison
    {
        // The same figures are asked for row after row.
        if (null === $this->comparison || $this->of !== $sums || (null !== $better && $this->better !== $better)) {
            $better ??= $this->scope->better;
            $question = $this->scope->question;
            $this->of = $sums;
            $this->better = $better;
            $this->comparison = new Comparison(Amounts::ofSums($this->measure, $sums, $this->derivesPriorYear), $question->scenario, $question->forecast, $question->against, $this->scope->closing, $better, $question->flag, $this->measure->isInPercent());
        }

        return $this->comparison;
    }

    /** A running total stops where its own period is missing; a moving one is whole or not at all. */
    private function isWhole(Comparison $comparison, Slice $slice): bool
    {
        return match ($this->scope->question->cumulate) {
            null => true,
            Cumulation::YearToDate => [] !== array_filter($slice->own, $comparison->shows(...)),
            Cumulation::Moving => $slice->fine === array_filter($slice->fine, $comparison->shows(...)) || RowRole::Landing === $slice->role,
        };
    }

    private function has(Comparison $comparison, Scenario $scenario, Slice $slice): bool
    {
        $isThere = static fn (Period $period): bool => $comparison->has($scenario, $period);

        return match ($this->scope->question->cumulate) {
            null => true,
            Cumulation::YearToDate => [] !== array_filter($slice->own, $isThere),
            Cumulation::Moving => $slice->fine === array_filter($slice->fine, $isThere) || RowRole::Landing === $slice->role,
        };
    }
}
