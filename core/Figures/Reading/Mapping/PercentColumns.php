<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;

/** Columns of amounts in which percentages and plain numbers stand together. */
final class PercentColumns
{
    /** @return list<string> names of the columns */
    public static function mixed(FileTable $sheet, Mapping $mapping): array
    {
        $mixed = [];
        foreach (array_keys($mapping->of(Role::Amount)) as $name) {
            $cells = array_filter(
                $sheet->column($sheet->placeOf((string) $name)),
                static fn (string $cell): bool => !NumberReader::isMissing($cell),
            );
            $percents = array_filter($cells, static fn (string $cell): bool => str_contains($cell, '%'));
            $others = array_filter(
                array_diff_key($cells, $percents),
                static fn (string $cell): bool => null !== $mapping->numbers()->maybe($cell),
            );
            if ([] !== $percents && [] !== $others) {
                $mixed[] = (string) $name;
            }
        }

        return $mixed;
    }
}
