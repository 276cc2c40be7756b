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

    /**
     * What drives a value, with the volumes and values that it is computed from.
     *
     * @param string $volume name of the volume
     *
     * @return list<Column> the change first
     */
    public static function drivers(string $volume): array
    {
        $of = ['volume first', 'volume second', 'first'];

        return [
            new Column(
                'amount',
                ColumnForm::Change,
                'Step',
                'Volume: (V1 − V0) ÷ V0 × R0; rate: R1 − V1 × R0 ÷ V0, member by member; mix: what is left of R1 − R0',
                [
                    new ColumnFormula(DerivationRule::Volume, ...$of),
                    new ColumnFormula(DerivationRule::RateChange, ...[...$of, 'second']),
                    new ColumnFormula(DerivationRule::Minus, 'second', 'first'),
                ],
            ),
            new Column('volume first', ColumnForm::Amount, "$volume before", "V0: $volume on the first side"),
            new Column('volume second', ColumnForm::Amount, "$volume after", "V1: $volume on the second side"),
        ];
    }

    public static function explains(): Column
    {
        return new Column(
            Explained::OF_SIGN, ColumnForm::Rate, 'Explains %',
            'The change over the sum of all changes of the same sign',
        );
    }

    public static function share(): Column
    {
        return new Column(Explained::OF_TOTAL, ColumnForm::Rate, 'Share %', 'Its amount over the grand total');
    }
}
