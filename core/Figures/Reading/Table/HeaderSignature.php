<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

use KeenMargin\Core\Figures\Reading\Text\PeriodReader;

/**
 * What next month's file of the same kind has in common with this one: the names of its columns, whatever periods stand
 * among them.
 */
final class HeaderSignature
{
    public static function of(FileTable $sheet): string
    {
        $periods = new PeriodReader();
        $names = [];
        foreach ($sheet->levels as $parts) {
            $known = array_map(
                static fn (string $part): string => null !== $periods->maybe($part) || PeriodReader::lacksYear($part)
                    ? '#'
                    : mb_strtolower($part),
                $parts,
            );
            $names[] = implode("\x1E", $known);
        }
        $unique = array_values(array_unique($names));

        return hash('xxh128', implode("\x1F", $unique).(0 === $sheet->place->levels ? "\0".\count($names) : ''));
    }
}
