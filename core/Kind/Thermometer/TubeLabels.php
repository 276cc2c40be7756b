<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Thermometer;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\Context;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;

/**
 * What stands beside a tube: at its left the value, its pace and its layers, at its right the goal, milestones and what
 * is to go.
 */
final readonly class TubeLabels
{
    private const LINE = 15.0;
    private const LARGE = 15.0;
    /** Lines that a label may stand away from its height. */
    private const NEAR = [0.0, 1.0, -1.0, 2.0, -2.0, 3.0, -3.0];

    /**
     * @param float $left where labels at the left end, $right where those at the right begin
     * @param float $from where there is room from, $to up to which
     */
    public function __construct(
        private Canvas $canvas,
        private Context $context,
        private TubeScale $scale,
        private Labels $labels,
        private float $left,
        private float $right,
        private float $from,
        private float $to,
        private float $zero,
    ) {}

    /**
     * @param list<Row> $layers that the value is put together of
     * @param bool $hasGoal whether there is a goal that it can be on the way to
     */
    public function write(Row $row, array $layers, bool $hasGoal): void
    {
        if (Labels::None === $this->labels) {
            return;
        }
        $display = $this->context->display;
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        if ($hasGoal && null !== $goal) {
            $y = $this->zero - $this->scale->height($row, $goal);
            $word = $row->isLimit ? 'limit' : 'goal';
            $this->right($row, "$word {$display->amount($goal)}", $y, Ink::Ink, 'goal-label');
            $this->milestones($row, $goal);
        }
        $this->value($row, $goal);
        $pace = $row->values[GoalNumbers::PACE] ?? null;
        if ($hasGoal && null !== $pace && $pace->isPositive() && true !== $goal?->isEqualTo($pace)) {
            $y = $this->zero - $this->scale->height($row, $pace);
            $this->left($row, "pace {$display->amount($pace)}", $y, Ink::Accent, 'pace-label');
        }
        if ($hasGoal && null !== $goal) {
            $this->toGo($row, $goal);
        }
        $this->layers($row, $layers);
    }

    /** Percentages of the goal. */
    private function milestones(Row $row, BigDecimal $goal): void
    {
        foreach (Labels::All === $this->labels ? $this->context->milestones : [] as $percent) {
            $y = $this->zero - $this->scale->heightOf($row, $goal, $percent);
            $text = $this->context->display->format->plain($percent, max(0, $percent->getScale())).' %';
            $this->right($row, $text, $y, Ink::Quiet, 'milestone-label');
        }
    }

    /** The value, with its percentage under it. */
    private function value(Row $row, ?BigDecimal $goal): void
    {
        $display = $this->context->display;
        $height = null === $row->shown ? 0.0 : $this->scale->height($row, $row->shown);
        $y = min($this->zero - $height + 5.0, $this->zero - 4.0);
        $percent = $row->values[GoalNumbers::PERCENT] ?? null;
        $under = match (true) {
            null !== $percent => $display->format->plain($percent, 1).' %',
            null === $row->shown && !$row->isAbsent() => 'no figures',
            RowRole::Other === $row->role && null === $goal => '',
            default => GoalNumbers::whyNone($goal),
        };
        $this->canvas->writeIfFree(
            'labels',
            Canvas::text(
                $this->left,
                $y,
                $display->amount($row->shown),
                'end',
                size: self::LARGE,
                weight: 600,
                role: 'value-label',
                key: $row->key->id,
                of: 'shown',
            ),
        );
        $this->canvas->writeIfFree(
            'labels',
            Canvas::text(
                $this->left, $y + self::LINE, $under, 'end', Ink::Ink, role: 'percent-label', key: $row->key->id,
            ),
        );
    }

    /** Between the value and the goal; beyond the goal beside the value. */
    private function toGo(Row $row, BigDecimal $goal): void
    {
        $over = $row->values[GoalNumbers::OVER] ?? null;
        $remaining = $row->values[GoalNumbers::REMAINING] ?? null;
        if (null === $over || null === $remaining) {
            return;
        }
        $display = $this->context->display;
        $text = match (true) {
            $over->isPositive() => "over by {$display->amount($over)}",
            $row->isLimit => "{$display->amount($remaining)} left",
            $remaining->isZero() => 'reached',
            default => "{$display->amount($remaining)} to go",
        };
        $height = null === $row->shown ? 0.0 : $this->scale->height($row, $row->shown);
        $middle = $over->isPositive() ? $height : ($height + $this->scale->height($row, $goal)) / 2.0;
        $this->right(
            row: $row,
            text: $text,
            y: $this->zero - $middle,
            ink: Ink::Quiet,
            role: 'remaining-label',
            near: self::NEAR,
        );
    }

    /**
     * What layers are, each at its own height.
     *
     * @param list<Row> $layers
     */
    private function layers(Row $row, array $layers): void
    {
        $y = $this->zero;
        foreach ($layers as $layer) {
            $height = null === $layer->shown ? 0.0 : $this->scale->height($row, $layer->shown);
            $y -= $height;
            $text = "{$layer->name} {$this->context->display->amount($layer->shown)}";
            $this->left($layer, $text, $y + $height / 2.0, Ink::Quiet, 'layer-label');
        }
    }

    /** At the left of a height, or as near to it as there is room. */
    private function left(Row $row, string $text, float $y, Ink $ink, string $role): void
    {
        $text = TextMeasure::shortened($text, $this->left - $this->from, Type::LABEL);
        foreach (self::NEAR as $further) {
            $label = Canvas::text(
                $this->left, $y + 4.0 + $further * self::LINE, $text, 'end', $ink, role: $role, key: $row->key->id,
            );
            if ($this->canvas->writeIfFree('labels', $label)) {
                return;
            }
        }
    }

    /**
     * At the right of a height.
     *
     * @param list<float> $near lines that it may stand away from it
     */
    private function right(Row $row, string $text, float $y, Ink $ink, string $role, array $near = [0.0]): void
    {
        $weight = Ink::Ink === $ink ? 600 : 400;
        $text = TextMeasure::shortened($text, $this->to - $this->right, Type::LABEL, $weight);
        foreach ($near as $further) {
            $label = Canvas::text(
                $this->right,
                $y + 4.0 + $further * self::LINE,
                $text,
                'start',
                $ink,
                weight: $weight,
                role: $role,
                key: $row->key->id,
            );
            if ($this->canvas->writeIfFree('labels', $label)) {
                return;
            }
        }
    }
}
