<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Thermometer;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Frame\FreeChart;
use KeenMargin\Core\Chart\Frame\PanelGrid;
use KeenMargin\Core\Chart\Part\ItemName;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Workings\Result\Row;

/** Tubes beside one another and in lines. */
final readonly class Tubes extends FreeChart
{
    private const LEAST = 300.0;
    private const LENGTH = 210.0;
    private const NAME = 20.0;
    private const GAP = 18.0;
    /** Room above the highest mark, for the label at it. */
    private const HEAD = 12.0;

    protected function draw(Canvas $canvas, float $top, float $stretch): float
    {
        $layers = [];
        foreach ($this->workings->table->rows as $row) {
            null === $row->parent || ($layers[$row->parent->id][] = $row);
        }
        $items = array_values(
            array_filter($this->workings->table->rows, static fn (Row $row): bool => null === $row->parent),
        );
        if ([] === $items) {
            return $top;
        }
        $grid = PanelGrid::of(\count($items), Canvas::MARGIN, $canvas->width - Canvas::MARGIN, self::LEAST);
        $length = self::LENGTH * $stretch;
        $scale = new TubeScale(
            $items,
            $this->finish->scale,
            $length,
            $this->options->mostPerUnit[Scale::Amount->value] ?? \INF,
        );
        $isOne = 1 === \count($items) && null === $items[0]->period && '' === $items[0]->panel;
        $bottom = $top;
        foreach ($items as $i => $row) {
            $top = $grid->isFirst($i) && $i > 0 ? $bottom + self::GAP : $top;
            $x = $isOne
                ? min(Canvas::MARGIN + self::LEAST / 2.0 + 10.0, $canvas->width / 2.0)
                : ($grid->left($i) + $grid->right($i)) / 2.0;
            $zero = $top + ($isOne ? 0.0 : self::NAME) + self::HEAD + $length;
            if (!$isOne) {
                ItemName::write($canvas, $row, $x, $top + 12.0, $grid->width() - 8.0);
            }
            $tube = new Tube(
                canvas: $canvas,
                context: $this->workings->context,
                scale: $scale,
                labels: $this->finish->labels,
                x: $x,
                zero: $zero,
                room: min($grid->width(), $canvas->width) / 2.0 - 4.0,
            );
            $tube->draw($row, $layers[$row->key->id] ?? []);
            $goal = $this->workings->context->aim?->number;
            if (0 === $i && null !== $goal && $goal->isPositive() && $scale->isShared()) {
                $canvas->offer($tube->handle($row, $goal));
            }
            $bottom = max($bottom, $zero + Tube::FOOT + 4.0);
        }

        return $bottom;
    }
}
