<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableNumber;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** A number of a table as it is written. */
final class CellText
{
    public static function of(Row $row, TableColumn $column, Workings $workings): string
    {
        $display = $workings->context->display;
        $number = TableWorkings::number($row, $column, $workings);

        return match ($column->number) {
            TableNumber::Amount, TableNumber::Trend => $display->amount($number),
            TableNumber::Variance => $display->variance($number),
            TableNumber::Percent => $display->percent($row->variances[$column->scenario->value ?? ''] ?? null),
            TableNumber::Share, TableNumber::Progress => null === $number
                ? NumberFormat::NONE
                : $display->format->plain($number, 1),
        };
    }
}
