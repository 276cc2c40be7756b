<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\GivenList;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Question\Waterfall\StepRole;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\ScenarioPeriods;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;

/**
 * The rows of a list as it stands: start, steps, subtotals and end by what its rows say they are. What a stated
 * subtotal or end differs by from the running total is a step of its own before it.
 */
final readonly class ListRows
{
    /** @param ScenarioPeriods $periods that amounts are of */
    public function __construct(
        private WaterfallScope $of,
        private GivenList $list,
        private ScenarioPeriods $periods,
        private FinePeriods $fine,
    ) {}

    /** @return list<Row> */
    public function rows(): array
    {
        $scope = $this->of->scope;
        $sums = $this->of->raw->sumsBy(
            $this->list->breakdown->name, $scope->sources, $scope->question->where, $this->of->scenarios(),
        );
        $running = new RunningTotal($this->of->rounding(), null, '', $scope->question->scenario);
        $hasEnd = false;
        foreach ($this->list->inOrder() as $member) {
            $value = $this->of->amounts->together($this->periods, $sums[$member] ?? new Sums());
            if (null === $value) {
                continue;
            }
            $role = $this->list->role($member);
            if (StepRole::Step === $role) {
                $running->steps([$this->step($member, $value)]);
                continue;
            }
            if (StepRole::Start !== $role && !ExactNumber::isEqual($running->at(), $value)) {
                $before = StepRole::End === $role ? null : $member;
                $running->steps([$this->unexplained($before, ExactNumber::minus($value, $running->at()))]);
            }
            $running->total($this->total($member, $role, $value), $value);
            $hasEnd = $hasEnd || StepRole::End === $role;
        }
        if (!$hasEnd && [] !== $running->rows()) {
            $running->total($this->total(null, StepRole::End, $running->at()), $running->at());
        }

        return $running->rows();
    }

    private function step(string $member, BigDecimal|Fraction $value): Step
    {
        $label = '' === $member ? '(blank)' : $member;

        return new Step(
            key: RowKey::row($member),
            label: $label,
            name: $label,
            exact: $value,
            effect: Effect::of($value, $this->of->better),
            where: $this->of->scope->question->where,
            fine: $this->fine,
        );
    }

    /** @param ?string $before the stated subtotal; null: the end */
    private function unexplained(?string $before, BigDecimal|Fraction $exact): Step
    {
        return new Step(
            key: RowKey::sum(SumKey::Unexplained, null, $before),
            label: null === $before ? 'Unexplained' : "Unexplained before $before",
            name: 'Unexplained',
            exact: $exact,
            role: RowRole::Unexplained,
            effect: Effect::of($exact, $this->of->better),
        );
    }

    /** @param ?string $member null: the list states none, and it is the running total */
    private function total(?string $member, StepRole $role, BigDecimal|Fraction $value): Row
    {
        $name = $member ?? 'End';

        return new Row(
            key: null === $member ? RowKey::sum(SumKey::End) : RowKey::row($member),
            label: $name,
            name: $name,
            values: [],
            shown: $this->of->rounding()->of($value),
            shownScenario: $this->of->scope->question->scenario,
            variances: [],
            role: match ($role) {
                StepRole::Start => RowRole::Start,
                StepRole::End => RowRole::End,
                default => RowRole::Subtotal,
            },
            exact: $value,
            fine: $this->fine,
            own: $this->fine,
            where: $this->of->scope->question->where,
        );
    }
}
