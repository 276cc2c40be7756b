<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use KeenMargin\Core\Document\Altered;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Question\Cumulation;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;

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
        $this->parts = array_map(static fn (Measure $measure): ComparisonRows => new ComparisonRows($scope, $measure, $figures), $measures);
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

    public function row(Slice $slice, string $panel): Row
    {
        $values = $this->values($slice);
        $own = null === $this->scope->question->cumulate ? [] : ['own' => $this->amounts($this->periods->shown($slice->own), $slice->sums)['used']];
        if (!$this->isWhole($slice)) {
            return ComparisonRows::of($slice, $panel, [...array_map(static fn (): null => null, $values), ...$own], null, ['target' => null, 'rateTarget' => null], $this->comparison);
        }
        $variances = ['target' => $this->varianceOfTarget($slice), 'rateTarget' => $this->varianceOfRate($slice)];

        $row = ComparisonRows::of($slice, $panel, [...$values, ...$own], $values['used'], $variances, $this->comparison);

        return Altered::of($row, ['lacksPart' => null === $values['used'] xor null === $values['total']]);
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
        $with = $this->isTargetOnTotal ? $this->periods->withTargetOfTotal($fine) : $this->periods->withTargetOfUsed($fine);

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

    /** @return array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal, target: ?BigDecimal, rate: ?BigDecimal, rateTarget: ?BigDecimal} */
    private function values(Slice $slice): array
    {
        $shown = $this->amounts($this->periods->shown($slice->fine), $slice->sums);

        return [
            ...$shown,
            'target' => $this->target($slice),
            'rate' => (new Rounding())->of(self::rate($shown['used'], $shown['total'])),
            'rateTarget' => (new Rounding())->of($this->rateTarget($slice)),
        ];
    }

    private function target(Slice $slice): ?BigDecimal
    {
        return match ($this->isTargetOnTotal) {
            true => $this->targets($this->periods->withTargetOfTotal($slice->fine), $slice->sums)['total'],
            false => $this->targets($this->periods->withTargetOfUsed($slice->fine), $slice->sums)['used'],
            null => null,
        };
    }

    private function varianceOfTarget(Slice $slice): ?Variance
    {
        if (null === $this->isTargetOnTotal) {
            return null;
        }
        $fine = $this->isTargetOnTotal ? $this->periods->withTargetOfTotal($slice->fine) : $this->periods->withTargetOfUsed($slice->fine);
        $shown = $this->amounts($fine, $slice->sums)[$this->isTargetOnTotal ? 'total' : 'used'];

        return Variance::maybeOrNothing($shown, $this->target($slice), $this->scope->betterOf($slice->member), $this->scope->question->flag, false, new Rounding(), $this->only($slice, $fine));
    }

    /**
     * The rate that was to be, in percent: as told, else what the reference has used of its total. Null where the reference has
     * no figure of what is used: a rate that nobody aimed at is not one of nought.
     */
    private function rateTarget(Slice $slice): BigDecimal|BigRational|null
    {
        if (null !== $this->scope->question->target) {
            return $this->scope->question->target;
        }
        $fine = $this->periodsOfRateTarget($slice);
        $targets = $this->targets($fine, $slice->sums);
        $total = true === $this->isTargetOnTotal ? $targets['total'] : $this->amounts($fine, $slice->sums)['total'];

        return null === $targets['used'] ? null : self::rate($targets['used'], $total);
    }

    private function varianceOfRate(Slice $slice): ?Variance
    {
        $isTold = null !== $this->scope->question->target;
        $fine = $isTold ? $this->periods->shown($slice->fine) : $this->periodsOfRateTarget($slice);
        $shown = $this->amounts($fine, $slice->sums);

        return Variance::maybe(
            self::rate($shown['used'], $shown['total']),
            $this->rateTarget($slice),
            $this->scope->betterOf($slice->member),
            $this->scope->question->flag,
            inPoints: true,
            only: $isTold ? [] : $this->only($slice, $fine),
        );
    }

    private function periodsOfRateTarget(Slice $slice): FinePeriods
    {
        return true === $this->isTargetOnTotal ? $this->periods->withTargetOfBoth($slice->fine) : $this->periods->withTargetOfUsed($slice->fine);
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

    /** @return array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal} what is shown */
    private function amounts(FinePeriods $fine, Sums $sums): array
    {
        return self::three(array_map(static fn (ComparisonRows $rows): ?BigDecimal => $rows->comparison->shown($fine, $sums), $this->parts));
    }

    /** @return array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal} of the reference */
    private function targets(FinePeriods $fine, Sums $sums): array
    {
        $reference = $this->reference;
        if (null === $reference) {
            return ['used' => null, 'unused' => null, 'total' => null];
        }

        return self::three(array_map(static fn (ComparisonRows $rows): ?BigDecimal => $rows->comparison->value($reference, $fine, $sums), $this->parts));
    }

    /**
     * The third part is what the other two leave; where one of them has no figure, it counts as nothing.
     *
     * @param array<string, ?BigDecimal> $told two or three of `used`, `unused`, `total`
     *
     * @return array{used: ?BigDecimal, unused: ?BigDecimal, total: ?BigDecimal} null where there is no figure
     */
    private static function three(array $told): array
    {
        $all = ['used' => $told['used'] ?? null, 'unused' => $told['unused'] ?? null, 'total' => $told['total'] ?? null];
        if ([] === array_filter($all)) {
            return $all;
        }
        $nothing = BigDecimal::zero();
        $of = static fn (string $part): BigDecimal => $all[$part] ?? $nothing;

        return match (true) {
            !\array_key_exists('unused', $told) => array_replace($all, ['unused' => $of('total')->minus($of('used'))]),
            !\array_key_exists('used', $told) => array_replace($all, ['used' => $of('total')->minus($of('unused'))]),
            !\array_key_exists('total', $told) => array_replace($all, ['total' => $of('used')->plus($of('unused'))]),
            default => $all,
        };
    }

    /** In percent; null where there is neither, or no total. What is used of a total without a figure of it is nothing. */
    private static function rate(?BigDecimal $used, ?BigDecimal $total): ?BigRational
    {
        if (null === $total || $total->isZero()) {
            return null;
        }

        return ($used ?? BigDecimal::zero())->toBigRational()->multipliedBy(100)->dividedBy($total);
    }
}
