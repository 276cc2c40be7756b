<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Gauge;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Frame\FreeChart;
use KeenMargin\Core\Chart\Frame\PanelGrid;
use KeenMargin\Core\Chart\Frame\Stretch;
use KeenMargin\Core\Chart\Part\ItemName;
use KeenMargin\Core\Chart\Part\NearHandles;
use KeenMargin\Core\Scene\Scale;

/** Half rings beside one another and in lines, all on one scale. */
final class Gauges extends FreeChart
{
    private const LEAST = 170.0;
    private const LARGEST = 150.0;
    private const SMALLEST = 34.0;
    private const NAME = 20.0;
    private const GAP = 14.0;
    private const HEAD = 18.0;

    public function height(Stretch $stretch): float
    {
        $rows = $this->workings->table->rows;
        if ([] === $rows) {
            return 0.0;
        }
        $grid = $this->grid();
        $firsts = array_filter(array_keys($rows), $grid->isFirst(...));
        $dial = $this->above() + $this->radius($grid, $stretch) + GaugeDial::FOOT;

        return \count($firsts) * $dial + (\count($firsts) - 1) * self::GAP;
    }

    public function hasUprightLengths(): bool
    {
        return false;
    }

    public function draw(Canvas $canvas, float $top, Stretch $stretch): float
    {
        $rows = $this->workings->table->rows;
        if ([] === $rows) {
            return $top;
        }
        $grid = $this->grid();
        $radius = $this->radius($grid, $stretch);
        $scale = GaugeScale::of(
            $rows,
            $this->finish->ends,
            $this->workings->context->display->inPoints,
            $stretch->mostPerUnit[Scale::Angle->value] ?? null,
        );
        $isOne = $this->isOne();
        $bottom = $top;
        foreach ($rows as $i => $row) {
            $top = $grid->isFirst($i) && $i > 0 ? $bottom + self::GAP : $top;
            // Left, as titles are, where there is one; else in the middle of each place.
            $x = $isOne ? Canvas::MARGIN + GaugeDial::SIDE + $radius : ($grid->left($i) + $grid->right($i)) / 2.0;
            $y = $top + $this->above() + $radius;
            if (!$isOne) {
                ItemName::write($canvas, $row, $x, $top + 12.0, $grid->width() - 8.0);
            }
            $dial = new GaugeDial(
                canvas: $canvas,
                display: $this->workings->context->display,
                scale: $scale,
                labels: $this->finish->labels,
                x: $x,
                y: $y,
                radius: $radius,
            );
            $dial->draw($row, 0 === $i ? 'target' : null);
            if (0 === $i) {
                $this->offer($canvas, $scale, $x, $y, $radius);
            }
            $bottom = max($bottom, $y + GaugeDial::FOOT);
        }

        return $bottom;
    }

    private function grid(): PanelGrid
    {
        return PanelGrid::of(
            \count($this->workings->table->rows), Canvas::MARGIN, $this->finish->width - Canvas::MARGIN, self::LEAST,
        );
    }

    private function radius(PanelGrid $grid, Stretch $stretch): float
    {
        $room = $grid->width() / 2.0 - GaugeDial::SIDE;
        $largest = self::LARGEST * max(1.0, $stretch->factor);

        return max(self::SMALLEST, min($room, $largest, $room * $stretch->factor));
    }

    /** Whether there is one dial, which the title names. */
    private function isOne(): bool
    {
        $rows = $this->workings->table->rows;

        return 1 === \count($rows) && '' === $rows[0]->panel && null === $rows[0]->period;
    }

    /** Room above the ring, for its name and the labels at it. */
    private function above(): float
    {
        return ($this->isOne() ? 0.0 : self::NAME) + self::HEAD;
    }

    /** Targets and limits are moved on the first ring, and are the same on all. */
    private function offer(Canvas $canvas, GaugeScale $scale, float $x, float $y, float $radius): void
    {
        $handles = new NearHandles(
            context: $this->workings->context,
            isHorizontal: true,
            zero: $scale->degreesOfNought(),
            perUnit: $scale->degreesPerUnit(),
            from: GaugeDial::INNER * $radius,
            to: $radius,
            span: $scale->span(),
            centre: [$x, $y],
        );
        $canvas->offer(...$handles->all());
    }
}
