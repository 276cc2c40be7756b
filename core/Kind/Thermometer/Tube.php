<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Thermometer;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Handle;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\Context;
use KeenMargin\Core\Workings\Result\Row;

/**
 * One tube: filled up to the value, the goal as a tick at its height, milestones at its side, the pace as a small mark.
 * Its rounded foot lies below nought, so that heights are as their amounts.
 */
final readonly class Tube
{
    /** Height of the foot. */
    public const FOOT = 13.0;
    private const HALF = 21.0;
    /** How far the tube goes on above its highest mark. */
    private const RIM = 7.0;
    private const TICK = 6.0;
    /** Room beside the tube for the head at the pace. */
    private const BESIDE = 12.0;
    private const LINE = 15.0;
    private const CORNERS = 16;

    /** @param float $room on either side of the middle */
    public function __construct(
        private Canvas $canvas,
        private Context $context,
        private TubeScale $scale,
        private Labels $labels,
        private float $x,
        private float $zero,
        private float $room,
    ) {}

    /** @param list<Row> $layers that the value is put together of */
    public function draw(Row $row, array $layers): void
    {
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        $hasGoal = null !== ($row->values[GoalNumbers::PERCENT] ?? null) && null !== $goal && $goal->isPositive();
        $value = $row->shown;
        $top = max(
            $hasGoal ? $this->scale->height($row, $goal) : 0.0,
            null === $value ? 0.0 : $this->scale->height($row, $value),
            2.0 * self::HALF,
        );
        $this->outline($row, $top + self::RIM);
        if (null !== $value) {
            $this->fill($row, $value, $layers);
        }
        if ($hasGoal) {
            $this->goal($row, $goal);
            $this->milestones($row, $goal);
        }
        $this->pace($row);
        (new TubeLabels(
            canvas: $this->canvas,
            context: $this->context,
            scale: $this->scale,
            labels: $this->labels,
            left: $this->x - self::HALF - self::BESIDE,
            right: $this->x + self::HALF + self::TICK + 4.0,
            from: $this->x - $this->room,
            to: $this->x + $this->room,
            zero: $this->zero,
        ))->write($row, $layers, $hasGoal);
        $this->canvas->reach(
            $row->key->id,
            new Box(
                $this->x - $this->room,
                $this->zero - $top - self::LINE,
                $this->x + $this->room,
                $this->zero + self::FOOT,
            ),
        );
    }

    /** The goal, which can be moved up and down. */
    public function handle(Row $row, BigDecimal $goal): Handle
    {
        $height = $this->scale->height($row, $goal);

        return new Handle(
            of: 'goal',
            place: 0,
            label: 'Goal',
            amount: $goal,
            step: Handle::step($goal->toFloat()),
            isHorizontal: false,
            zero: $this->zero,
            perUnit: -$height / $goal->toFloat(),
            from: $this->x - self::HALF,
            to: $this->x + self::HALF,
            least: BigDecimal::zero(),
        );
    }

    private function outline(Row $row, float $top): void
    {
        $this->canvas->addBehind(
            'references',
            new Path(
                points: [
                    [$this->x - self::HALF, $this->zero - $top],
                    ...$this->foot(),
                    [$this->x + self::HALF, $this->zero - $top],
                ],
                fill: Ink::Panel->value,
                stroke: Ink::PriorYear->value,
                role: 'tube',
                key: $row->key->id,
            ),
        );
    }

    /** @return non-empty-list<array{float, float}> from left to right below nought */
    private function foot(): array
    {
        $points = [];
        for ($corner = 0; $corner <= self::CORNERS; ++$corner) {
            $angle = (\M_PI * $corner) / self::CORNERS;
            $points[] = [$this->x - self::HALF * cos($angle), $this->zero + self::FOOT * sin($angle)];
        }

        return $points;
    }

    /** @param list<Row> $layers */
    private function fill(Row $row, BigDecimal $value, array $layers): void
    {
        if ($value->getSign() <= 0) {
            return;
        }
        $style = Style::scenario($row->shownScenario ?? Scenario::Actual);
        $shown = array_values(array_filter($layers, static fn (Row $layer): bool => null !== $layer->shown));
        $isLayered =
            \count($shown) > 1
            && [] === array_filter($shown, static fn (Row $layer): bool => true === $layer->shown?->isNegative());
        $this->canvas->addBehind(
            'values',
            new Path(
                points: $this->foot(),
                fill: $isLayered ? self::layerInk(0)->value : $style->fill->value,
                stroke: null,
                role: 'foot',
                key: $row->key->id,
            ),
        );
        if ($isLayered) {
            $this->layers($row, $shown);

            return;
        }
        $height = $this->scale->height($row, $value);
        $this->canvas->add(
            'values',
            new Rect(
                x: $this->x - self::HALF,
                y: $this->zero - $height,
                width: 2.0 * self::HALF,
                height: $height,
                fill: $style->fill->value,
                stroke: $style->stroke?->value,
                role: 'value',
                key: $row->key->id,
                of: 'shown',
                measures: $this->measures(),
            ),
        );
    }

    private function measures(): ?Measures
    {
        return $this->scale->isShared() ? new Measures(Scale::Amount, 'shown') : null;
    }

    /**
     * One upon the other, each as high as its amount.
     *
     * @param list<Row> $layers
     */
    private function layers(Row $row, array $layers): void
    {
        $y = $this->zero;
        foreach ($layers as $place => $layer) {
            $height = null === $layer->shown ? 0.0 : $this->scale->height($row, $layer->shown);
            $y -= $height;
            $this->canvas->add(
                'values',
                new Rect(
                    x: $this->x - self::HALF,
                    y: $y,
                    width: 2.0 * self::HALF,
                    height: $height,
                    fill: self::layerInk($place)->value,
                    role: 'layer',
                    key: $layer->key->id,
                    of: 'shown',
                    measures: $this->measures(),
                ),
            );
            $this->canvas->reach(
                $layer->key->id, new Box($this->x - self::HALF, $y, $this->x + self::HALF, $y + $height),
            );
        }
    }

    private static function layerInk(int $place): Ink
    {
        return [Ink::Ink, Ink::Rise, Ink::PriorYear, Ink::Fall, Ink::Quiet][$place % 5];
    }

    private function goal(Row $row, BigDecimal $goal): void
    {
        $y = $this->zero - $this->scale->height($row, $goal);
        foreach ([[Ink::Paper, 5.0, 'target-ground'], [Ink::Ink, 2.6, 'goal']] as [$ink, $thickness, $role]) {
            $this->canvas->addBehind(
                'marks',
                new Line(
                    x1: $this->x - self::HALF - self::TICK,
                    y1: $y,
                    x2: $this->x + self::HALF + self::TICK,
                    y2: $y,
                    stroke: $ink->value,
                    thickness: $thickness,
                    role: $role,
                    key: $row->key->id,
                    of: GoalNumbers::GOAL,
                ),
            );
        }
    }

    /** Ticks at percentages of the goal, at the right. */
    private function milestones(Row $row, BigDecimal $goal): void
    {
        $right = $this->x + self::HALF;
        foreach ($this->context->milestones as $percent) {
            $y = $this->zero - $this->scale->heightOf($row, $goal, $percent);
            $this->canvas->addBehind(
                'marks',
                new Line(
                    x1: $right,
                    y1: $y,
                    x2: $right + self::TICK,
                    y2: $y,
                    stroke: Ink::Quiet->value,
                    thickness: 1.0,
                    role: 'milestone',
                    key: $row->key->id,
                ),
            );
        }
    }

    /** A small head that points at the tube from the left, and the pace beside it. */
    private function pace(Row $row): void
    {
        $pace = $row->values[GoalNumbers::PACE] ?? null;
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        if (null === $pace || null === $goal || $pace->isEqualTo($goal) || !$pace->isPositive()) {
            return;
        }
        $y = $this->zero - $this->scale->height($row, $pace);
        $x = $this->x - self::HALF - 1.0;
        $this->canvas->add(
            'marks',
            new Path(
                points: [[$x, $y], [$x - 7.0, $y - 4.0], [$x - 7.0, $y + 4.0]],
                fill: Ink::Accent->value,
                role: 'pace',
                key: $row->key->id,
                of: GoalNumbers::PACE,
            ),
        );
    }
}
