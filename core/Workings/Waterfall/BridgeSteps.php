<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\LikeForLike;
use KeenMargin\Core\Workings\Result\RowRole;

/**
 * The steps from one side of a leg to the other: by the members of a breakdown, or by periods. They add up to what lies
 * between the two sides; a member without a figure on one side has nothing there. Of a ratio a member's step is what it
 * moves the ratio by: N1i ÷ D1 − N0i ÷ D0 − R0 × (D1i ÷ D1 − D0i ÷ D0), which adds up to R1 − R0.
 */
final readonly class BridgeSteps
{
    public function __construct(private WaterfallScope $of) {}

    /**
     * What a side has, under the question's filters and others.
     *
     * @param list<MemberFilter|NumberFilter> $where
     */
    public function value(BridgeSide $side, array $where): BigDecimal|Fraction|null
    {
        return $this->of->amounts->together($side->periods, $this->sums($side, $where));
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where of the question, and of the step that is opened
     *
     * @return list<Step> in the order of periods or members, those without any figure left away
     */
    public function of(Leg $leg, Grain|string $by, array $where): array
    {
        return $by instanceof Grain
            ? $this->periods($leg, $by, $where)
            : $this->members($leg, $this->breakdown($by), $where);
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Step>
     */
    private function periods(Leg $leg, Grain $by, array $where): array
    {
        $steps = [];
        foreach ($leg->parts($by) as $part) {
            $first = $this->value($part->first, $where);
            $second = $this->value($part->second, $where);
            $variance = $this->of->variance($second, $first);
            if (null === $variance) {
                continue;
            }
            $own = new Leg(
                place: $leg->place,
                from: $leg->from,
                to: $leg->to,
                first: $part->first,
                second: $part->second,
                parts: static fn (Grain $finer): array => array_values(array_filter(
                    $leg->parts($finer),
                    static fn (LegPart $one): bool => $one->period->firstDay() >= $part->period->firstDay()
                        && $one->period->lastDay() <= $part->period->lastDay(),
                )),
            );
            $steps[] = new Step(
                key: RowKey::row($part->period->key())->onLeg($leg->place),
                label: PeriodNames::full($part->period),
                name: PeriodNames::withinYear($part->period),
                exact: $variance->exact,
                values: $this->sides($first, $second),
                variances: ['first' => $variance],
                effect: $variance->effect,
                period: $part->period,
                scenario: $this->scenario($part->second, $this->sums($part->second, $where)),
                where: $where,
                fine: $own->fine(),
                leg: $own,
            );
        }

        return $steps;
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Step>
     */
    private function members(Leg $leg, Breakdown $breakdown, array $where): array
    {
        return array_map(
            fn (MemberChange $change): Step => $this->step($change, $leg, $breakdown, $where),
            $this->changes($leg, $breakdown, $where),
        );
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where of the question, and of the step that is opened
     *
     * @return list<MemberChange> in the order of the members, those without any figure left away
     */
    public function changes(Leg $leg, Breakdown $breakdown, array $where): array
    {
        $firsts = $this->byMember($leg->first, $breakdown, $where);
        $seconds =
            [] === $leg->first->where && [] === $leg->second->where
                ? $firsts
                : $this->byMember($leg->second, $breakdown, $where);
        $alike = $this->of->measure->isRatio()
            ? $this->alike($leg, $this->whole($leg->first), $this->whole($leg->second))
            : null;
        $ratio = null === $alike ? null : new RatioSteps($this->of, $leg, $alike->reference, $alike->shown);
        $none = new Sums();
        [$start, $end] = [$leg->first->periods, $leg->second->periods];
        $changes = [];
        foreach ($breakdown->asTree() as $member) {
            $before = $firsts[$member] ?? $none;
            $after = $seconds[$member] ?? $none;
            $own = null === $ratio
                ? null
                : $this->alike($leg, $before->ofCells($before->cells() ?? []), $after->ofCells($after->cells() ?? []));
            $variance = null === $own ? null : $ratio->maybe($own->reference, $own->shown);
            $exact = null === $ratio ? $this->of->amounts->change($start, $before, $end, $after) : $variance?->exact;
            if (null !== $exact) {
                $changes[] = new MemberChange($member, $before, $after, $exact, $variance);
            }
        }

        return $changes;
    }

    /** What both sides of a leg have figures of: a ratio's missing figure is not nothing. */
    private function alike(Leg $leg, Sums $first, Sums $second): LikeForLike
    {
        $grain = $this->of->scope->dataset->grain;
        $parts = Grain::Timeless === $grain ? [] : $leg->parts(Grain::Day === $grain ? Grain::Month : $grain);
        $between = $this->of->scope->question->bridge;

        return LikeForLike::of(
            $this->of->measure->sources(),
            [] === $parts
                ? [[$leg->second->periods->kept, $leg->first->periods->kept]]
                : array_map(
                    static fn (LegPart $part): array => [$part->second->periods->kept, $part->first->periods->kept],
                    $parts,
                ),
            $second,
            $first,
            $between instanceof Between ? $this->of->scope->dataset->placeOf($between->field) : null,
        );
    }

    /** @param list<MemberFilter|NumberFilter> $where that the change is under */
    public function step(MemberChange $change, Leg $leg, Breakdown $breakdown, array $where): Step
    {
        $first = $this->of->amounts->together($leg->first->periods, $change->before);
        $second = $this->of->amounts->together($leg->second->periods, $change->after);
        $variance = $change->variance ?? $this->of->variance($second, $first);
        $label = '' === $change->member ? '(blank)' : $change->member;

        return new Step(
            key: RowKey::row($change->member)->onLeg($leg->place),
            label: $label,
            name: $label,
            exact: $change->exact,
            values: $this->sides($first, $second),
            variances: ['first' => $variance],
            effect: $variance?->effect,
            group: $breakdown->parents[$change->member] ?? null,
            scenario: $this->scenario($leg->second, $change->after),
            where: [...$where, new MemberFilter($breakdown->name, [$change->member])],
            fine: $leg->fine(),
            leg: $leg,
        );
    }

    /**
     * Many changes as one step.
     *
     * @param non-empty-list<MemberChange> $changes
     */
    public function gathered(array $changes, Leg $leg): Step
    {
        $label = 'Other ('.\count($changes).')';
        $exact = ExactNumber::sum(
            array_map(static fn (MemberChange $one): BigDecimal|Fraction => $one->exact, $changes),
        );
        $first = $this->of->measure->isRatio() ? BigDecimal::zero() : $this->sumOfFirst($changes, $leg);
        $variance = $this->of->variance(ExactNumber::plus($first, $exact), $first);

        return new Step(
            key: RowKey::sum(SumKey::Other)->onLeg($leg->place),
            label: $label,
            name: $label,
            exact: $exact,
            role: RowRole::Other,
            values: null === $variance ? [] : ['first' => $variance->reference, 'second' => $variance->shown],
            variances: null === $variance ? [] : ['first' => $variance],
            effect: $variance?->effect,
            scenario: $this->scenario($leg->second, $changes[0]->after),
            where: [],
            fine: $leg->fine(),
        );
    }

    /** @param non-empty-list<MemberChange> $changes */
    private function sumOfFirst(array $changes, Leg $leg): BigDecimal|Fraction
    {
        $amounts = [];
        foreach ($changes as $change) {
            $amount = $this->of->amounts->together($leg->first->periods, $change->before);
            null === $amount || ($amounts[] = $this->of->rounding()->of($amount));
        }

        return ExactNumber::sum($amounts);
    }

    /** @return array<string, ?BigDecimal> */
    private function sides(BigDecimal|Fraction|null $first, BigDecimal|Fraction|null $second): array
    {
        $rounding = $this->of->rounding();

        return ['first' => $rounding->of($first), 'second' => $rounding->of($second)];
    }

    /** Forecast as soon as a figure is of it; null: the effect's own fill. */
    private function scenario(BridgeSide $side, Sums $sums): ?Scenario
    {
        $starts = $side->periods->starts[Scenario::Forecast->value] ?? [];
        foreach ([] === $starts ? [] : $this->of->measure->sources() as $source) {
            if ($sums->hasAny($source, [Scenario::Forecast->value => $starts])) {
                return Scenario::Forecast;
            }
        }

        return null;
    }

    /** What a side has of all members that the question is about. */
    private function whole(BridgeSide $side): Sums
    {
        return $this->sums($side, $this->of->scope->question->where);
    }

    /** @param list<MemberFilter|NumberFilter> $where */
    private function sums(BridgeSide $side, array $where): Sums
    {
        return $this->of->figures->sums($this->of->scope->sources, [...$where, ...$side->where]);
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return array<string|int, Sums>
     */
    private function byMember(BridgeSide $side, Breakdown $breakdown, array $where): array
    {
        return $this->of->figures->sumsBy(
            $breakdown->name,
            $this->of->scope->sources,
            [...$where, ...$side->where],
            $this->of->scenarios(),
        );
    }

    private function breakdown(string $name): Breakdown
    {
        return $this->of->scope->dataset->maybeBreakdown($name) ?? throw new \LogicException("There is no \"$name\".");
    }
}
