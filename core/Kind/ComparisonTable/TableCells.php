<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Tier\PinTier;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Chart\Tier\VarianceTier;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableForm;
use KeenMargin\Core\Question\Table\TableNumber;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** The columns of a table as tiers that lie side by side. */
final class TableCells
{
    /**
     * @param list<Row> $rows of one panel
     * @param ?LabelWidths $room that numbers stand at the right end of; null: what these rows need
     */
    public static function tier(
        TableColumn $column,
        Workings $workings,
        array $rows,
        Finish $finish,
        ?LabelWidths $room = null,
    ): Tier {
        $reference = TableWorkings::maybeReference($workings, $column);
        $isVariance = TableNumber::Variance === $column->number;

        return match ($column->form) {
            TableForm::Line => new TrendCell($rows),
            TableForm::Number => new NumberCell($workings, $rows, $column, $room),
            TableForm::Progress => new ProgressCell($workings, $rows, $column),
            TableForm::Pin => null === $reference
                ? new NumberCell($workings, $rows, $column, $room)
                : PinTier::of($workings, $rows, $reference, $finish->limit),
            TableForm::Bar => $isVariance && null !== $reference
                ? new VarianceTier($workings, $rows, $reference, true)
                : new BarCell($workings, $rows, $column),
        };
    }
}
