<?php

declare(strict_types=1);

namespace KeenMargin\App\Export;

/** Rows of files that amounts came from, one file after the other, each with its own header. */
final class SourcesCsv
{
    /** @param list<array<string, mixed>> $files as FactSources gives them */
    public static function of(array $files): string
    {
        $lines = [];
        foreach ($files as $file) {
            $columns = \is_array($file['columns'] ?? null) ? $file['columns'] : [];
            $lines[] = self::line(['File', 'Row', ...$columns]);
            foreach (\is_array($file['rows'] ?? null) ? $file['rows'] : [] as $row) {
                \is_array($row) && $lines[] = self::line([$file['name'] ?? '', $row['row'] ?? '', ...\is_array($row['cells'] ?? null) ? $row['cells'] : []]);
            }
        }

        return implode('', $lines);
    }

    /** @param array<mixed> $cells */
    private static function line(array $cells): string
    {
        return implode(',', array_map(static fn (mixed $cell): string => CsvWriter::cell(\is_int($cell) || (\is_string($cell) && 1 === preg_match('/^-?\d{1,15}(\.\d+)?$/D', $cell)) ? new Exact((string) $cell) : (\is_string($cell) ? $cell : '')), $cells))."\r\n";
    }
}
