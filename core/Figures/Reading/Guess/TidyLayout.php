<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Guess;

use KeenMargin\Core\Figures\Reading\Mapping\ColumnRole;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\NumberStyle;

/** The layout of our own exports, known by its header: read back by it, whatever the names in it look like. */
final class TidyLayout
{
    public const BEFORE = ['Period', 'Scenario', 'Measure', 'Unit'];
    public const AMOUNT = 'Amount';

    public static function maybe(FileTable $sheet): ?Mapping
    {
        $header = $sheet->header;
        $breakdowns = \array_slice($header, \count(self::BEFORE), -1);
        if ($header !== [...self::BEFORE, ...$breakdowns, self::AMOUNT]) {
            return null;
        }
        $hasPeriods = [] !== $sheet->column(0, 1);
        $columns =
            [
                'Period' => new ColumnRole($hasPeriods ? Role::Period : Role::Ignore),
                'Scenario' => new ColumnRole(Role::Scenario),
                'Measure' => new ColumnRole(Role::Measure),
                'Unit' => new ColumnRole(Role::Unit),
                self::AMOUNT => new ColumnRole(Role::Amount),
            ] + array_fill_keys($breakdowns, new ColumnRole(Role::Breakdown));

        return new Mapping($columns, NumberStyle::Point, keepsTotals: true);
    }
}
