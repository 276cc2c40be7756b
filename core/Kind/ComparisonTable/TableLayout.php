<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Scale\LinearScale;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableForm;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Where the columns of a table stand: numbers take what they need, what is drawn shares the rest. Columns of one unit
 * have one length per unit. Where there is too little room, drawn columns become numbers, and then the last are left
 * out.
 */
final readonly class TableLayout
{
    private const GAP = 16.0;
    /** Least and greatest length of what is drawn in a column. */
    private const SHORTEST = 34.0;
    private const LONGEST = 150.0;

    /** @param list<TableColumnPlace> $places */
    private function __construct(public array $places, public int $leftOut) {}

    /**
     * @param list<TableColumn> $columns
     * @param non-empty-list<list<Row>> $panels
     * @param float $left where the first column may begin
     * @param float $right where the last one must end
     * @param array<string, float> $most points per unit that other charts leave
     */
    public static function of(
        array $columns,
        Workings $workings,
        array $panels,
        Finish $finish,
        float $left,
        float $right,
        array $most,
    ): self {
        $all = \count($columns);
        $asNumbers = false;
        while (true) {
            $tried = $asNumbers
                ? array_map(static fn (TableColumn $column): TableColumn => $column->asNumber(), $columns)
                : $columns;
            $places = self::maybePlaces(
                columns: $tried,
                workings: $workings,
                panels: $panels,
                finish: $finish,
                left: $left,
                right: $right,
                most: $most,
            );
            if (null !== $places || \count($columns) < 2) {
                return new self($places ?? [], $all - \count($places ?? []));
            }
            if ($asNumbers) {
                $columns = \array_slice($columns, 0, -1);
            }
            $asNumbers = true;
        }
    }

    /**
     * @param list<TableColumn> $columns
     * @param non-empty-list<list<Row>> $panels
     * @param array<string, float> $most
     *
     * @return ?list<TableColumnPlace> null where they have no room
     */
    private static function maybePlaces(
        array $columns,
        Workings $workings,
        array $panels,
        Finish $finish,
        float $left,
        float $right,
        array $most,
    ): ?array {
        $extents = $labels = $widths = $units = [];
        $fixed = 0.0;
        foreach ($columns as $i => $column) {
            $tiers = array_map(
                static fn (array $rows): Tier => TableCells::tier($column, $workings, $rows, $finish),
                $panels,
            );
            $extents[$i] = array_reduce(
                $tiers,
                static fn (Extent $all, Tier $tier): Extent => $all->with($tier->extent()),
                Extent::ofSizes([]),
            );
            $labels[$i] = array_map(static fn (Tier $tier): LabelWidths => $tier->labelWidths(), $tiers);
            $label = LabelWidths::widest($labels[$i]);
            $isBelow = $extents[$i]->below > 0.0;
            $head = TextMeasure::width(TableHeads::head($column), Type::LABEL, 600);
            $widths[$i] = self::isDrawn($column)
                ? new LabelWidths($isBelow ? $label->below + 6.0 : 2.0, $label->above + 6.0)
                : new LabelWidths(0.0, max($label->above, $head));
            $units[$i] = self::isDrawn($column) ? $tiers[0]->unit() : null;
            $fixed += $widths[$i]->below + $widths[$i]->above + self::GAP;
        }
        $drawn = array_filter($units, static fn (?Scale $unit): bool => null !== $unit);
        $room = $right - $left - $fixed;
        if ($room < self::SHORTEST * \count($drawn)) {
            return null;
        }
        $perUnit = self::perUnit($extents, $drawn, min($room, self::LONGEST * \count($drawn)), $most);
        $x = $left;
        $places = [];
        foreach ($columns as $i => $column) {
            $scale = $perUnit[$units[$i]->value ?? ''] ?? 0.0;
            $begin = $x + self::GAP;
            $zero = $begin + $widths[$i]->below + $extents[$i]->below * $scale;
            $x = $zero + $extents[$i]->above * $scale + $widths[$i]->above;
            $places[] = new TableColumnPlace(
                column: $column,
                left: $begin,
                right: $x,
                scale: new LinearScale($zero, $scale, Orientation::Horizontal->sign()),
                labels: $labels[$i],
                isNumber: !self::isDrawn($column),
            );
        }

        return $places;
    }

    /**
     * Each unit gets as much of the room as it has columns.
     *
     * @param array<int, Extent> $extents
     * @param array<int, Scale> $drawn units of columns that are drawn
     * @param array<string, float> $most
     *
     * @return array<string, float> points per unit
     */
    private static function perUnit(array $extents, array $drawn, float $room, array $most): array
    {
        $sums = $counts = [];
        foreach ($drawn as $i => $unit) {
            $sums[$unit->value] = ($sums[$unit->value] ?? 0.0) + $extents[$i]->length();
            $counts[$unit->value] = ($counts[$unit->value] ?? 0) + 1;
        }
        $perUnit = [];
        foreach ($sums as $unit => $sum) {
            $own = ($room * ($counts[$unit] ?? 0)) / \count($drawn);
            $perUnit[$unit] = 0.0 === $sum ? 0.0 : min($own / $sum, $most[$unit] ?? \INF);
        }

        return $perUnit;
    }

    /** Whether lengths are drawn in it; a trend takes what it needs. */
    private static function isDrawn(TableColumn $column): bool
    {
        return !\in_array($column->form, [TableForm::Number, TableForm::Line], true);
    }
}
