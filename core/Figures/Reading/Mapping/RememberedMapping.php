<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Reading\Table\FileTable;

/**
 * How a file of the same kind was read before, fitted to this one: what was told stays, what only this file can tell is
 * its own.
 */
final class RememberedMapping
{
    public static function onto(FileTable $sheet, Mapping $before, Mapping $guess): Mapping
    {
        $columns = [];
        foreach ($sheet->header as $name) {
            $columns[$name] = $before->columns[$name] ?? ($guess->columns[$name] ?? new ColumnRole(Role::Ignore));
        }

        return With::of($before, [
            'columns' => $columns,
            'year' => $guess->year ?? $before->year,
            'leaveOut' => [],
            'header' => null,
            'sheet' => null,
            'closedThrough' => null,
        ]);
    }
}
