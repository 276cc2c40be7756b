<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Question\Part\PanelKey;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;

/**
 * Makes rows of totals and steps: each step runs from where the one before it ended, totals from nought. Places are the
 * running total rounded, and changes what lies between two places, so that start and steps give the end to the last
 * digit whatever rounding does.
 */
final class RunningTotal
{
    /** @var list<Row> */
    private array $rows = [];
    private BigDecimal|Fraction $running;
    /** @var array<string, BigDecimal|Fraction> other running totals, by the keys of their columns */
    private array $beside = [];

    /**
     * @param ?PanelKey $panel null: the chart has one panel only
     * @param string $panelName what stands over the panel
     * @param ?Scenario $scenario whose fill subtotals have; null: none's, as they are between two
     */
    public function __construct(
        private readonly Rounding $rounding,
        private readonly ?PanelKey $panel = null,
        private readonly string $panelName = '',
        private readonly ?Scenario $scenario = null,
    ) {
        $this->running = BigDecimal::zero();
    }

    /** The running total before it is rounded. */
    public function at(): BigDecimal|Fraction
    {
        return $this->running;
    }

    /** @return BigDecimal|Fraction of another column */
    public function besideAt(string $column): BigDecimal|Fraction
    {
        return $this->beside[$column] ?? BigDecimal::zero();
    }

    /**
     * A total from nought, at which the running total goes on. Running totals beside it are shown as they are.
     */
    public function total(Row $row, BigDecimal|Fraction $value): void
    {
        $this->running = $value;
        $to = $this->rounding->of($value);
        $values = ['from' => BigDecimal::zero(), 'to' => $to, 'change' => null, 'amount' => $to];
        foreach ($this->beside as $column => $at) {
            $values += self::wholeBeside($column, $this->rounding->of($at));
        }
        $this->add($row, $values);
    }

    /** The running total as a row. */
    private function subtotal(RowKey $after, string $label): void
    {
        $to = $this->rounding->of($this->running);
        $values = ['from' => BigDecimal::zero(), 'to' => $to, 'change' => null, 'amount' => $to];
        foreach ($this->beside as $column => $at) {
            $values += self::wholeBeside($column, $this->rounding->of($at));
        }
        $this->add(
            new Row(
                key: RowKey::sum(SumKey::Subtotal, $after->panel, (string) $after->name)->onLeg($after->leg),
                label: $label,
                name: $label,
                values: [],
                shown: $to,
                shownScenario: $this->scenario,
                variances: [],
                role: RowRole::Subtotal,
            ),
            $values,
        );
    }

    /**
     * @param list<Step> $steps
     * @param ?SubtotalPlaces $subtotals null: none
     */
    public function steps(array $steps, ?SubtotalPlaces $subtotals = null): void
    {
        foreach ($steps as $i => $step) {
            $this->level([$step], null, 0);
            $label = $subtotals?->maybeAfter($step, $steps[$i + 1] ?? null);
            if (null !== $label) {
                $this->subtotal($step->key, $label);
            }
        }
    }

    /** @return list<Row> */
    public function rows(): array
    {
        return $this->rows;
    }

    /** @return array<string, BigDecimal> */
    private static function wholeBeside(string $column, BigDecimal $at): array
    {
        return [$column => $at, "$column from" => BigDecimal::zero(), "$column to" => $at];
    }

    /** @param list<Step> $steps */
    private function level(array $steps, ?RowKey $parent, int $depth): void
    {
        foreach ($steps as $step) {
            $from = $this->running;
            $beside = $this->beside;
            $to = ExactNumber::plus($from, $step->exact);
            $this->add($this->row($step, $parent, $depth), $this->places($step, $to));
            if ([] !== $step->steps) {
                $this->running = $from;
                $this->beside = $beside;
                $this->level($step->steps, $step->key->inPanel($this->panel), $depth + 1);
            }
            $this->running = $to;
            foreach ($step->beside as $column => $exact) {
                $this->beside[$column] = ExactNumber::plus($beside[$column] ?? BigDecimal::zero(), $exact);
            }
        }
    }

    /** @return array<string, ?BigDecimal> */
    private function places(Step $step, BigDecimal|Fraction $to): array
    {
        [$low, $high] = [$this->rounding->of($this->running), $this->rounding->of($to)];
        $places = ['from' => $low, 'to' => $high, 'change' => $high->minus($low), 'amount' => $high->minus($low)];
        foreach ($step->beside as $column => $exact) {
            $at = $this->besideAt($column);
            [$low, $high] = [$this->rounding->of($at), $this->rounding->of(ExactNumber::plus($at, $exact))];
            $places["$column from"] = $low;
            $places["$column to"] = $high;
            $places["$column change"] = $high->minus($low);
        }

        return $places;
    }

    private function row(Step $step, ?RowKey $parent, int $depth): Row
    {
        return new Row(
            key: $step->key,
            label: $step->label,
            name: $step->name,
            values: $step->values,
            shown: null,
            shownScenario: $step->scenario,
            variances: $step->variances,
            role: $step->role,
            period: $step->period,
            depth: $depth,
            fine: $step->fine,
            own: $step->fine,
            parent: $parent,
            effect: $step->effect,
            where: $step->where,
            does: $step->does,
        );
    }

    /** @param array<string, ?BigDecimal> $places */
    private function add(Row $row, array $places): void
    {
        $this->rows[] = $row->placed($row->key->inPanel($this->panel), $this->panelName, $places);
    }
}
