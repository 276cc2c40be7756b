<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\ColumnFormula;
use KeenMargin\Core\Workings\Result\DerivationRule;

/** Columns that waterfalls have in common. */
final class WaterfallColumns
{
    /**
     * Where a row begins and ends.
     *
     * @param string $change id of the column that leads from one to the other
     * @param string $of before the keys: of another running total beside the first
     *
     * @return list<Column>
     */
    public static function places(string $change, string $of = ''): array
    {
        $head = '' === $of ? '' : "$of ";

        return [
            new Column(
                "{$head}from",
                ColumnForm::Amount,
                "{$head}from",
                'Where the row before it ended; of totals nought',
                follows: "{$head}to",
            ),
            new Column("{$head}to", ColumnForm::Amount, "{$head}to", 'Where it begins and its change, together', [
                new ColumnFormula(DerivationRule::Sum, "{$head}from", $change),
            ]),
        ];
    }

    public static function explains(): Column
    {
        return new Column(
            Explained::OF_SIGN,
            ColumnForm::Rate,
            'Explains %',
            'The change over the sum of all changes of the same sign',
        );
    }

    public static function share(): Column
    {
        return new Column(Explained::OF_TOTAL, ColumnForm::Rate, 'Share %', 'Its amount over the grand total');
    }
}
