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
use KeenMargin\Core\Question\RowKey;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\Variance;

/**
 * The steps from one side of a leg to the other: by the members of a breakdown, or by periods. They add up to what lies
 * between the two sides; a member without a figure on one side has nothing there. Of a ratio a member's step is what it
 * moves the ratio by: N1i ÷ D1 − N0i ÷ D0 − R0 × (D1i ÷ D1 − D0i ÷ D0), which adds up to R1 − R0.
 */
final readonly class BridgeSteps
{
    public function __construct(private WaterfallScope $of)
    {
    }

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
            $variance = $this->variance($first, $second);
            if (null === $variance) {
                continue;
            }
            $own = new Leg(
                place: $leg->place,
                from: $leg->from,
                to: $leg->to,
                first: $part->first,
                second: $part->second,
                parts: static fn (Grain $finer): array => array_values(
                    array_filter(
                        $leg->parts($finer),
                        static fn (LegPart $one): bool => $one->period->firstDay() >= $part->period->firstDay()
                            && $one->period->lastDay() <= $part->period->lastDay(),
                    ),
                ),
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
                fine: $part->second->fine,
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
        $firsts = $this->byMember($leg->first, $breakdown, $where);
        $seconds =
            [] === $leg->first->where && [] === $leg->second->where
                ? $firsts
                : $this->byMember($leg->second, $breakdown, $where);
        $changes = $this->of->measure->isRatio()
            ? new RatioSteps($this->of, $leg, $this->whole($leg->first), $this->whole($leg->second))
            : null;
        $steps = [];
        foreach ($breakdown->asTree() as $member) {
            $own = [$firsts[$member] ?? new Sums(), $seconds[$member] ?? new Sums()];
            $first = $this->of->amounts->together($leg->first->periods, $own[0]);
            $second = $this->of->amounts->together($leg->second->periods, $own[1]);
            $variance = null === $changes ? $this->variance($first, $second) : $changes->maybe($own[0], $own[1]);
            if (null === $variance) {
                continue;
            }
            $label = '' === $member ? '(blank)' : $member;
            $steps[] = new Step(
                key: RowKey::row($member)->onLeg($leg->place),
                label: $label,
                name: $label,
                exact: $variance->exact,
                values: $this->sides($first, $second),
                variances: ['first' => $variance],
                effect: $variance->effect,
                group: $breakdown->parents[$member] ?? null,
                scenario: $this->scenario($leg->second, $own[1]),
                where: [...$where, new MemberFilter($breakdown->name, [$member])],
                fine: $leg->second->fine,
                leg: $leg,
            );
        }

        return $steps;
    }

    /** Null where neither side has a figure; of what is not added up, where one of them has none. */
    private function variance(BigDecimal|Fraction|null $first, BigDecimal|Fraction|null $second): ?Variance
    {
        $question = $this->of->scope->question;

        return $this->of->measure->isAddedOverMembers()
            ? Variance::maybeOrNothing(
                shown: $second,
                reference: $first,
                better: $this->of->better,
                flag: $question->flag,
                inPoints: $this->of->measure->isInPercent(),
                rounding: $this->of->rounding(),
                only: [],
            )
            : Variance::maybe(
                shown: $second,
                reference: $first,
                better: $this->of->better,
                flag: $question->flag,
                inPoints: $this->of->measure->isInPercent(),
                rounding: $this->of->rounding(),
            );
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
        return $this->of->scope->dataset->maybeBreakdown($name) ??
            throw new \LogicException("There is no \"$name\".");
    }
}
