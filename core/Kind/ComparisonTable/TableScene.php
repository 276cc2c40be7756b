<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Frame\FreeChart;
use KeenMargin\Core\Chart\Frame\Stretch;
use KeenMargin\Core\Chart\Part\RowNameLabels;
use KeenMargin\Core\Chart\Part\RowReach;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableNumber;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Paging;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Row;

/** Names at the left, columns of numbers and small marks beside them; groups and totals under a hairline. */
final class TableScene extends FreeChart
{
    private const ROW = 22.0;
    private const PANEL = 20.0;
    private const NAMES = 0.36;
    private const BELOW = 6.0;
    private const LEFT_OUT = 20.0;

    /** @var array{array<string, float>, TableLayout}|null the last layout, and on which scales */
    private ?array $laid = null;
    /** Room for names, in points; null: not yet measured. */
    private ?float $names = null;
    /** @var array<int, list<float>> what names need of the height of their rows, by panel, as far as measured */
    private array $needed = [];

    public function height(Stretch $stretch): float
    {
        $top = 0.0;
        foreach ($this->workings->table->panels() as $i => $rows) {
            $top += '' === ($rows[0]->panel ?? '') ? 0.0 : self::PANEL;
            $top = $this->axis($i, $rows, $top, $stretch)->stop + self::BELOW;
        }

        return $top + ($this->layout($stretch)->leftOut > 0 ? self::LEFT_OUT : 0.0);
    }

    public function hasUprightLengths(): bool
    {
        return false;
    }

    public function draw(Canvas $canvas, float $top, Stretch $stretch): float
    {
        $layout = $this->layout($stretch);
        $left = $this->options->firstRows;
        if (null !== $left && $left < \count($this->workings->table->rows)) {
            $canvas->drawsFirst($left);
        }
        foreach ($this->workings->table->panels() as $i => $rows) {
            $drawn = null === $left ? $rows : \array_slice($rows, 0, $left);
            $left = null === $left ? null : $left - \count($drawn);
            $top = $this->panel(
                canvas: $canvas, place: $i, rows: $rows, drawn: $drawn, layout: $layout, top: $top, stretch: $stretch,
            );
        }
        if ($layout->leftOut > 0) {
            $canvas->write(
                'words',
                Canvas::text(
                    Canvas::MARGIN,
                    $top + 14.0,
                    1 === $layout->leftOut
                        ? 'One column needs more width'
                        : "{$layout->leftOut} columns need more width",
                    'start',
                    Ink::Quiet,
                    role: 'left-out',
                ),
            );
            $top += self::LEFT_OUT;
        }

        return $top;
    }

    private function layout(Stretch $stretch): TableLayout
    {
        if (null === $this->laid || $stretch->mostPerUnit !== $this->laid[0]) {
            $inPoints = $this->workings->context->display->inPoints;
            $columns = array_filter(
                $this->workings->context->columns,
                static fn (TableColumn $column): bool => !$inPoints || TableNumber::Percent !== $column->number,
            );
            $layout = TableLayout::of(
                columns: array_values($columns),
                workings: $this->workings,
                panels: $this->workings->table->panels(),
                finish: $this->finish,
                left: Canvas::MARGIN + $this->names(),
                right: $this->finish->width - 6.0,
                most: $stretch->mostPerUnit,
            );
            $this->laid = [$stretch->mostPerUnit, $layout];
        }

        return $this->laid[1];
    }

    private function names(): float
    {
        $most = self::NAMES * $this->finish->width;

        return $this->names ??= max(array_map(
            static fn (array $rows): float => RowNameLabels::width($rows, $most),
            $this->workings->table->panels(),
        ));
    }

    /** @param list<Row> $rows */
    private function axis(int $panel, array $rows, float $top, Stretch $stretch): BandAxis
    {
        $needed = $this->needed[$panel] ??= RowNameLabels::needed($rows, $this->names());

        return BandAxis::rows(
            RowNameLabels::heights($needed, $stretch->factor, self::ROW),
            RowNameLabels::standApart($rows),
            $top + TableHeads::HEIGHT,
        );
    }

    /**
     * @param list<Row> $rows
     * @param list<Row> $drawn the first of them
     */
    private function panel(
        Canvas $canvas,
        int $place,
        array $rows,
        array $drawn,
        TableLayout $layout,
        float $top,
        Stretch $stretch,
    ): float {
        $names = $this->names();
        $left = Canvas::MARGIN;
        $panel = $rows[0]->panel ?? '';
        if ('' !== $panel) {
            $text = TextMeasure::shortened($panel, $canvas->width - 2.0 * $left, Type::LABEL, 600);
            $canvas->write('title', Canvas::text($left, $top + 11.0, $text, weight: 600, role: 'panel'));
            $top += self::PANEL;
        }
        $places = $layout->places;
        (new TableHeads($canvas, $this->workings, $this->workings->context->sorted))->write($places, $top);
        $axis = $this->axis($place, $rows, $top, $stretch);
        if ('' === $panel) {
            $begins = array_map($axis->begin(...), array_keys($rows));
            $canvas->mayBreak(new Paging($top - 2.0, $top + TableHeads::HEIGHT, \array_slice($begins, 1)));
        }
        $right = [] === $places ? $left + $names : $places[\count($places) - 1]->right;
        $this->rules($canvas, $axis, $drawn, $left, $right);
        RowNameLabels::beside($canvas, $axis, $drawn, $left, $names);
        foreach ($places as $column) {
            TableCells::tier($column->column, $this->workings, $drawn, $this->finish, $column->labels[$place])->draw(
                new Stage($canvas, Orientation::Horizontal, $axis, $column->scale, $this->finish->labels),
            );
        }
        RowReach::mark(canvas: $canvas, finish: $this->finish, axis: $axis, rows: $drawn, left: $left, right: $right);

        return $axis->stop + self::BELOW;
    }

    /**
     * Below the heads, and over what sums others up.
     *
     * @param list<Row> $rows
     */
    private function rules(Canvas $canvas, BandAxis $axis, array $rows, float $left, float $right): void
    {
        $lines = [[$axis->start - 2.0, Ink::PriorYear, null]];
        foreach ($rows as $i => $row) {
            if ($row->role->isSum()) {
                $ink = $row->role->isWhole() ? Ink::PriorYear : Ink::Hairline;
                $lines[] = [$axis->begin($i) - ($row->role->isApart() ? 3.0 : 0.0), $ink, $row->key->id];
            }
        }
        foreach ($lines as [$y, $ink, $key]) {
            $canvas->addBehind(
                'rules',
                new Line(
                    x1: $left, y1: $y, x2: $right, y2: $y, stroke: $ink->value, thickness: 1.0, role: 'rule', key: $key,
                ),
            );
        }
    }
}
