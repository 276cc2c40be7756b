<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Rows\Panel;

/** The rows of a waterfall: its totals, and the steps from each to the next. */
final readonly class WaterfallRows
{
    private BridgeSteps $made;

    public function __construct(private WaterfallScope $of, private BridgePlan $plan)
    {
        $this->made = new BridgeSteps($of);
    }

    /** @return list<Row> of one panel; none where a total has no figure and there is no step */
    public function of(Panel $panel): array
    {
        $question = $this->of->scope->question;
        $running = new RunningTotal(
            $this->of->rounding(),
            $panel->key,
            $panel->name,
            $this->plan->isFromNought ? $this->plan->end()->scenario : null,
        );
        $subtotals = new SubtotalPlaces($question->subtotals, $this->of->scope->dataset->calendar);
        $start = null;
        foreach ($this->plan->legs as $i => $leg) {
            $steps = $this->steps($leg, $panel->where);
            [$first, $second] = [
                $this->made->value($leg->first, $panel->where), $this->made->value($leg->second, $panel->where),
            ];
            $hasNeither = null === $first && null === $second && [] === $steps;
            $isMissing = null === $first || null === $second;
            if (
                $hasNeither || ($isMissing && !$this->of->measure->isAddedOverMembers() && !$this->plan->isFromNought)
            ) {
                return [];
            }
            $movement = ExactNumber::minus($second ?? BigDecimal::zero(), $first ?? BigDecimal::zero());
            $first = $this->plan->stated?->opening($panel->where) ?? ($first ?? BigDecimal::zero());
            $second = $this->plan->stated?->closing($panel->where) ?? ExactNumber::plus($first, $movement);
            if (0 === $i && !$this->plan->isFromNought) {
                $running->total($this->total($leg->from, RowRole::Start, $first, $leg->first, null), $first);
            }
            $running->steps($steps, $subtotals);
            if (!ExactNumber::isEqual($running->at(), $second)) {
                $running->steps([$this->rest($leg, ExactNumber::minus($second, $running->at()))]);
            }
            $isLast = $i === \count($this->plan->legs) - 1;
            $role = $isLast ? RowRole::End : RowRole::Subtotal;
            $start ??= $first;
            $running->total(
                $this->total($leg->to, $role, $second, $leg->second, $this->plan->isFromNought ? null : $start),
                $second,
            );
        }

        return $running->rows();
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Step>
     */
    private function steps(Leg $leg, array $where): array
    {
        $question = $this->of->scope->question;
        $breakdown = $this->of->scope->dataset->maybeBreakdown((string) $question->breakdown());
        if (null !== $question->drivers && null !== $breakdown) {
            return (new DriverSteps($this->of, $question->drivers, $breakdown))->of($leg, $where);
        }
        $order = new StepOrder($question);
        $steps =
            null === $breakdown
                ? $order->ordered($this->made->of($leg, $question->by ?? Grain::Month, $where))
                : $this->members($order, $leg, $breakdown, $where);

        return (new OpenedSteps($question, $this->made))->in($steps);
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Step> what is gathered comes last
     */
    private function members(StepOrder $order, Leg $leg, Breakdown $breakdown, array $where): array
    {
        $changes = $this->made->changes($leg, $breakdown, $where);
        $exact = array_map(static fn (MemberChange $change): BigDecimal|Fraction => $change->exact, $changes);
        $places = \array_slice(array_keys(ExactNumber::largestFirst($exact)), 0, $order->kept(\count($changes)));
        sort($places);
        $steps = array_map(
            fn (int $place): Step => $this->made->step($changes[$place], $leg, $breakdown, $where),
            $places,
        );
        $others = array_values(array_diff_key($changes, array_flip($places)));

        return [...$order->ordered($steps), ...[] === $others ? [] : [$this->made->gathered($others, $leg)]];
    }

    /** @param BigDecimal|Fraction|null $start of the whole bridge, to hold the total against; null: nothing */
    private function total(
        BridgeEnd $end,
        RowRole $role,
        BigDecimal|Fraction $value,
        BridgeSide $side,
        BigDecimal|Fraction|null $start,
    ): Row {
        $rounded = $this->of->rounding()->of($value);
        $key = match ($role) {
            RowRole::Start => RowKey::sum(SumKey::Start),
            RowRole::End => RowKey::sum(SumKey::End),
            default => RowKey::sum(SumKey::Through, null, $end->name),
        };

        return new Row(
            key: $key,
            label: $end->name,
            name: $end->name,
            values: RowRole::Start === $role
                ? ['first' => $rounded, 'second' => null]
                : ['first' => $this->of->rounding()->of($start), 'second' => $rounded],
            shown: $rounded,
            shownScenario: $end->scenario,
            variances: null === $start ? [] : ['first' => $this->of->variance($value, $start)],
            role: $role,
            exact: $value,
            fine: $side->fine,
            own: $side->fine,
            where: $side->where,
        );
    }

    /**
     * What steps leave: of a ratio, whose members are compared like with like, what only one side has; else it is not
     * explained.
     */
    private function rest(Leg $leg, BigDecimal|Fraction $exact): Step
    {
        $isOneSided = $this->of->measure->isRatio();
        $label = $isOneSided ? 'Only one side' : 'Unexplained';

        return new Step(
            key: RowKey::sum($isOneSided ? SumKey::OneSided : SumKey::Unexplained)->onLeg($leg->place),
            label: $label,
            name: $label,
            exact: $exact,
            role: $isOneSided ? RowRole::OneSided : RowRole::Unexplained,
            variances: ['first' => $this->of->variance($exact, BigDecimal::zero())],
            effect: Effect::of($exact, $this->of->better),
        );
    }
}
