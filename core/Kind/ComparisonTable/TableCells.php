<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Chart\Tier\PinTier;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Chart\Tier\VarianceTier;
use KeenMargin\Core\Kind\ComparisonTable\Cell\BarCell;
use KeenMargin\Core\Kind\ComparisonTable\Cell\NumberCell;
use KeenMargin\Core\Kind\ComparisonTable\Cell\ProgressCell;
use KeenMargin\Core\Kind\ComparisonTable\Cell\TrendCell;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableForm;
use KeenMargin\Core\Question\Table\TableNumber;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** The columns of a table as tiers that lie side by side. */
final class TableCells
{
    /** @param list<Row> $rows of one panel */
    public static function tier(TableColumn $column, Workings $workings, array $rows, Finish $finish): Tier
    {
        $reference = TableWorkings::maybeReference($workings, $column);
        $isDrawn = TableForm::Number !== $column->form;

        return match (true) {
            TableNumber::Trend === $column->number => new TrendCell($rows),
            TableForm::Bar === $column->form && TableNumber::Variance === $column->number && null !== $reference => new VarianceTier($workings, $rows, $reference, true),
            TableForm::Pin === $column->form && null !== $reference => PinTier::of(
                $workings,
                $rows,
                $reference,
                $finish->limit,
            ),
            TableForm::Progress === $column->form => new ProgressCell($workings, $rows, $column),
            $isDrawn => new BarCell($workings, $rows, $column),
            default => new NumberCell($workings, $rows, $column),
        };
    }
}
