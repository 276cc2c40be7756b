<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Question\Part\Cumulation;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Rows\Panel;
use KeenMargin\Core\Workings\Rows\RowContent;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slice;

/** What is used, what is not, and of how much: row by row, with the rate and its target. */
final readonly class CapacityRows implements RowContent
{
    /** @var array<string, ComparisonRows> two or three of `used`, `unused`, `total` */
    private array $parts;
    private ?Scenario $reference;
    private CapacityPeriods $periods;
    /** of the part whose name the chart bears */
    public Comparison $comparison;
    /** Whether the reference has figures of the total; else of what is used; null where it has neither. */
    private ?bool $isTargetOnTotal;

    /** @param array<string, Measure> $measures of the parts */
    public function __construct(private Scope $scope, array $measures, Figures $figures)
    {
        $this->parts = array_map(
            static fn (Measure $measure): ComparisonRows => new ComparisonRows($scope, $measure, $figures),
            $measures,
        );
        $this->reference = $scope->question->against[0] ?? null;
        $this->periods = new CapacityPeriods($this->parts, $this->reference);
        $this->comparison = ($this->parts['used'] ?? $this->parts['total'])->comparison;
        $this->isTargetOnTotal = match (true) {
            !$this->periods->withTargetOfTotal($scope->fine)->isEmpty() => true,
            !$this->periods->withTargetOfUsed($scope->fine)->isEmpty() => false,
            default => null,
        };
    }

    public function isTargetOnTotal(): ?bool
    {
        return $this->isTargetOnTotal;
    }

    public function hasFigures(FinePeriods $fine, Sums $sums): bool
    {
        foreach ($this->parts as $rows) {
            if ($rows->hasFigures($fine, $sums)) {
                return true;
            }
        }

        return false;
    }

    public function sizes(FinePeriods $fine, array $sums): array
    {
        return ($this->parts['used'] ?? $this->parts['total'])->sizes($fine, $sums);
    }

    /** Whether all parts are covered in any of the periods. */
    public function showsAny(FinePeriods $fine): bool
    {
        return !$this->periods->shown($fine)->isEmpty();
    }

    public function row(Slice $slice, Panel $panel): Row
    {
        $amounts = new CapacityAmounts($this->parts, $this->reference, $slice->sums);
        $own =
            null === $this->scope->question->cumulate
                ? []
                : ['own' => $amounts->shown($this->periods->shown($slice->own))['used']];
        if (!$this->isWhole($slice)) {
            $none = array_fill_keys(['used', 'unused', 'total', 'target', 'rate', 'rateTarget'], null);

            return ComparisonRows::of(
                slice: $slice,
                panel: $panel,
                values: [...$none, ...$own],
                shown: null,
                variances: ['target' => null, 'rateTarget' => null],
                comparison: $this->comparison,
            );
        }
        $variances = [
            'target' => $this->varianceOfTarget($slice, $amounts),
            'rateTarget' => $this->varianceOfRate($slice, $amounts),
        ];
        $values = $this->values($slice, $amounts, $variances['rateTarget']);
        $lacksPart = (null === $values['used']) !== (null === $values['total']);

        return ComparisonRows::of(
            slice: $slice,
            panel: $panel,
            values: [...$values, ...$own],
            shown: $values['used'],
            variances: $variances,
            comparison: $this->comparison,
            lacksPart: $lacksPart,
        );
    }

    /** Periods in which some parts are covered and others are not, and which are left out for that. */
    public function partlyCovered(FinePeriods $fine): FinePeriods
    {
        return $this->periods->partly($fine);
    }

    /** Periods that are shown and have no target, though others have. */
    public function withoutTarget(FinePeriods $fine): FinePeriods
    {
        if (null === $this->isTargetOnTotal) {
            return new FinePeriods([]);
        }
        $with = $this->isTargetOnTotal
            ? $this->periods->withTargetOfTotal($fine)
            : $this->periods->withTargetOfUsed($fine);

        return $this->periods->shown($fine)->without($with);
    }

    /** A running total stops where its own period is missing; a moving one is whole or not at all. */
    private function isWhole(Slice $slice): bool
    {
        return match (RowRole::Total === $slice->role ? null : $this->scope->question->cumulate) {
            null => true,
            Cumulation::YearToDate => $this->showsAny($slice->own),
            Cumulation::Moving => \count($this->periods->shown($slice->fine)->list) === \count($slice->fine->list),
        };
    }

    /**
     * @param ?Variance $ofRate null: there is none
     *
     * @return array{
     *     used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal, target: ?BigDecimal, rate: ?BigDecimal,
     *     rateTarget: ?BigDecimal,
     * }
     */
    private function values(Slice $slice, CapacityAmounts $amounts, ?Variance $ofRate): array
    {
        $shown = $amounts->shown($this->periods->shown($slice->fine));
        // Where all is compared, its two sides are the values, and are not reckoned again.
        $compared = [] === $ofRate?->only ? $ofRate : null;

        return [
            ...$shown,
            'target' => $this->target($slice, $amounts),
            'rate' => $compared->shown ?? (new Rounding())->of(self::rate($shown['used'], $shown['total'])),
            'rateTarget' => $ofRate->reference ?? (new Rounding())->of($this->rateTarget($slice, $amounts)),
        ];
    }

    private function target(Slice $slice, CapacityAmounts $amounts): ?BigDecimal
    {
        return match ($this->isTargetOnTotal) {
            true => $amounts->targets($this->periods->withTargetOfTotal($slice->fine))['total'],
            false => $amounts->targets($this->periods->withTargetOfUsed($slice->fine))['used'],
            null => null,
        };
    }

    private function varianceOfTarget(Slice $slice, CapacityAmounts $amounts): ?Variance
    {
        if (null === $this->isTargetOnTotal) {
            return null;
        }
        $fine = $this->isTargetOnTotal
            ? $this->periods->withTargetOfTotal($slice->fine)
            : $this->periods->withTargetOfUsed($slice->fine);
        $shown = $amounts->shown($fine)[$this->isTargetOnTotal ? 'total' : 'used'];

        return Variance::maybeOrNothing(
            shown: $shown,
            reference: $this->target($slice, $amounts),
            better: $this->scope->betterOf($slice->member),
            flag: $this->scope->question->flag,
            inPoints: false,
            rounding: new Rounding(),
            only: $this->only($slice, $fine),
        );
    }

    /**
     * The rate that was to be, in percent: as told, else what the reference has used of its total. Null where the
     * reference has no figure of what is used: a rate that nobody aimed at is not one of nought.
     */
    private function rateTarget(Slice $slice, CapacityAmounts $amounts): BigDecimal|Fraction|null
    {
        if (null !== $this->scope->question->target?->number) {
            return $this->scope->question->target->number;
        }
        $fine = $this->periodsOfRateTarget($slice);
        $targets = $amounts->targets($fine);
        $total = true === $this->isTargetOnTotal ? $targets['total'] : $amounts->shown($fine)['total'];

        return null === $targets['used'] ? null : self::rate($targets['used'], $total);
    }

    private function varianceOfRate(Slice $slice, CapacityAmounts $amounts): ?Variance
    {
        $isTold = null !== $this->scope->question->target?->number;
        $fine = $isTold ? $this->periods->shown($slice->fine) : $this->periodsOfRateTarget($slice);
        $shown = $amounts->shown($fine);

        return Variance::maybe(
            self::rate($shown['used'], $shown['total']),
            $this->rateTarget($slice, $amounts),
            $this->scope->betterOf($slice->member),
            $this->scope->question->flag,
            inPoints: true,
            only: $isTold ? [] : $this->only($slice, $fine),
        );
    }

    private function periodsOfRateTarget(Slice $slice): FinePeriods
    {
        return true === $this->isTargetOnTotal
            ? $this->periods->withTargetOfBoth($slice->fine)
            : $this->periods->withTargetOfUsed($slice->fine);
    }

    /**
     * The compared periods, where what is shown has others.
     *
     * @return list<Period>
     */
    private function only(Slice $slice, FinePeriods $compared): array
    {
        return \count($compared->list) < \count($this->periods->shown($slice->fine)->list) ? $compared->list : [];
    }

    /**
     * In percent; null where there is neither, or no total. What is used of a total without a figure of it is nothing.
     */
    private static function rate(?BigDecimal $used, ?BigDecimal $total): ?Fraction
    {
        if (null === $total || $total->isZero()) {
            return null;
        }

        return Fraction::of(($used ?? BigDecimal::zero())->multipliedBy(100), $total);
    }
}
