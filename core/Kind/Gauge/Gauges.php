<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Gauge;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Frame\FreeChart;
use KeenMargin\Core\Chart\Frame\PanelGrid;
use KeenMargin\Core\Chart\Part\ItemName;
use KeenMargin\Core\Chart\Part\NearHandles;
use KeenMargin\Core\Scene\Scale;

/** Half rings beside one another and in lines, all on one scale. */
final readonly class Gauges extends FreeChart
{
    private const LEAST = 170.0;
    private const LARGEST = 150.0;
    private const SMALLEST = 34.0;
    private const NAME = 20.0;
    private const GAP = 14.0;

    protected function draw(Canvas $canvas, float $top, float $stretch): float
    {
        $rows = $this->workings->table->rows;
        if ([] === $rows) {
            return $top;
        }
        $grid = PanelGrid::of(\count($rows), Canvas::MARGIN, $canvas->width - Canvas::MARGIN, self::LEAST);
        $room = $grid->width() / 2.0 - GaugeDial::SIDE;
        $radius = max(self::SMALLEST, min($room, self::LARGEST * max(1.0, $stretch), $room * $stretch));
        $scale = GaugeScale::of(
            $rows,
            $this->finish->ends,
            $this->workings->context->display->inPoints,
            $this->options->mostPerUnit[Scale::Angle->value] ?? null,
        );
        $isOne = 1 === \count($rows) && '' === $rows[0]->panel && null === $rows[0]->period;
        $bottom = $top;
        foreach ($rows as $i => $row) {
            $top = $grid->isFirst($i) && $i > 0 ? $bottom + self::GAP : $top;
            // Left, as titles are, where there is one; else in the middle of each place.
            $x = $isOne ? Canvas::MARGIN + GaugeDial::SIDE + $radius : ($grid->left($i) + $grid->right($i)) / 2.0;
            $y = $top + ($isOne ? 0.0 : self::NAME) + 18.0 + $radius;
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
