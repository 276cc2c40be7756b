<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Thermometer;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Frame\FreeChart;
use KeenMargin\Core\Chart\Frame\PanelGrid;
use KeenMargin\Core\Chart\Frame\Stretch;
use KeenMargin\Core\Chart\Part\ItemName;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Workings\Result\Row;

/** Tubes beside one another and in lines. */
final class Tubes extends FreeChart
{
    private const LEAST = 300.0;
    private const LENGTH = 210.0;
    private const NAME = 20.0;
    private const GAP = 18.0;
    /** Room above the highest mark, for the label at it. */
    private const HEAD = 12.0;
    private const BELOW = 4.0;

    public function height(Stretch $stretch): float
    {
        $items = $this->items();
        if ([] === $items) {
            return 0.0;
        }
        $firsts = array_filter(array_keys($items), $this->grid($items)->isFirst(...));
        $tube = self::above($items) + self::LENGTH * $stretch->factor + Tube::FOOT + self::BELOW;

        return \count($firsts) * $tube + (\count($firsts) - 1) * self::GAP;
    }

    public function hasUprightLengths(): bool
    {
        return true;
    }

    public function draw(Canvas $canvas, float $top, Stretch $stretch): float
    {
        $layers = [];
        foreach ($this->workings->table->rows as $row) {
            null === $row->parent || ($layers[$row->parent->id][] = $row);
        }
        $items = $this->items();
        if ([] === $items) {
            return $top;
        }
        $grid = $this->grid($items);
        $length = self::LENGTH * $stretch->factor;
        $scale = new TubeScale(
            $items,
            $this->finish->scale,
            $length,
            $stretch->mostPerUnit[Scale::Amount->value] ?? \INF,
        );
        $isOne = self::isOne($items);
        $bottom = $top;
        foreach ($items as $i => $row) {
            $top = $grid->isFirst($i) && $i > 0 ? $bottom + self::GAP : $top;
            $x = $isOne
                ? min(Canvas::MARGIN + self::LEAST / 2.0 + 10.0, $canvas->width / 2.0)
                : ($grid->left($i) + $grid->right($i)) / 2.0;
            $zero = $top + self::above($items) + $length;
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
            $bottom = max($bottom, $zero + Tube::FOOT + self::BELOW);
        }

        return $bottom;
    }

    /** @return list<Row> one for each tube; layers are rows within them */
    private function items(): array
    {
        return array_values(
            array_filter($this->workings->table->rows, static fn (Row $row): bool => null === $row->parent),
        );
    }

    /** @param non-empty-list<Row> $items */
    private function grid(array $items): PanelGrid
    {
        return PanelGrid::of(\count($items), Canvas::MARGIN, $this->finish->width - Canvas::MARGIN, self::LEAST);
    }

    /**
     * Whether there is one tube, which the title names.
     *
     * @param non-empty-list<Row> $items
     */
    private static function isOne(array $items): bool
    {
        return 1 === \count($items) && null === $items[0]->period && '' === $items[0]->panel;
    }

    /**
     * Room above the highest a tube can be, for its name and labels.
     *
     * @param non-empty-list<Row> $items
     */
    private static function above(array $items): float
    {
        return (self::isOne($items) ? 0.0 : self::NAME) + self::HEAD;
    }
}
