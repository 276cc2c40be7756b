<?php

declare(strict_types=1);

namespace KeenMargin\App\Export;

use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Total;
use KeenMargin\Core\Workings\Workings;

/** The workings as a table of exact numbers, for any program. */
final class WorkingsCsv
{
    public static function of(Workings $workings): string
    {
        $codes = array_keys($workings->rows[0]->values ?? []);
        $head = ['Period', ...$codes, 'Shown'];
        foreach ($workings->against as $reference) {
            array_push($head, "Variance {$reference->value}", "Variance {$reference->value} %", "Effect {$reference->value}", "Flagged {$reference->value}");
        }
        $lines = [$head];
        foreach ($workings->rows as $row) {
            $lines[] = self::row($row, $workings);
        }
        $lines[] = ['Total', ...array_map(static fn (): string => '', $codes), ...self::numbers($workings->total, $workings)];

        return implode('', array_map(static fn (array $line): string => implode(',', array_map(self::cell(...), $line))."\r\n", $lines));
    }

    /** @return list<string> */
    private static function row(Row $row, Workings $workings): array
    {
        return [$row->key, ...array_map(static fn ($value): string => $value?->toString() ?? '', array_values($row->values)), ...self::numbers($row, $workings)];
    }

    /** @return list<string> */
    private static function numbers(Row|Total $of, Workings $workings): array
    {
        $cells = [$of->shown?->toString() ?? ''];
        foreach ($workings->against as $reference) {
            $variance = $of->variances[$reference->value] ?? null;
            array_push($cells, $variance?->amount->toString() ?? '', $variance?->percent()?->toString() ?? '', $variance?->effect->value ?? '', null === $variance ? '' : ($variance->flagged ? 'yes' : 'no'));
        }

        return $cells;
    }

    private static function cell(string $cell): string
    {
        return CsvWriter::cell(1 === preg_match('/^-?\d+(\.\d+)?$/D', $cell) ? new Exact($cell) : $cell);
    }
}
