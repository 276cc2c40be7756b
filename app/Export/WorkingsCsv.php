<?php

declare(strict_types=1);

namespace KeenMargin\App\Export;

use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Column;
use KeenMargin\Core\Workings\ColumnForm;
use KeenMargin\Core\Workings\Reference;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\RowRole;
use KeenMargin\Core\Workings\Total;
use KeenMargin\Core\Workings\Workings;

/** The workings as a table of exact numbers, for any program. */
final class WorkingsCsv
{
    public static function of(Workings $workings): string
    {
        $lines = [self::head($workings)];
        foreach ($workings->rows as $row) {
            $lines[] = [$row->key, ...self::numbers($row, $workings)];
        }
        $isTold = [] !== array_filter($workings->rows, static fn (Row $row): bool => RowRole::Total === $row->role && '' === $row->panel);
        $isTold || $lines[] = ['Total', ...self::numbers($workings->total, $workings)];

        return implode('', array_map(static fn (array $line): string => implode(',', array_map(self::cell(...), $line))."\r\n", $lines));
    }

    /** @return list<string> */
    private static function head(Workings $workings): array
    {
        $heads = array_map(static fn (Column $column): string => match ($column->form) {
            ColumnForm::Variance, ColumnForm::Points => "Variance {$column->key}",
            ColumnForm::Percent => "Variance {$column->key} %",
            default => $column->head,
        }, $workings->columns);
        $effects = array_map(static fn (Reference $reference): array => ["Effect {$reference->key}", "Flagged {$reference->key}"], $workings->references);

        return [$workings->by instanceof Grain ? 'Period' : $workings->by, ...self::withShown($heads, 'Shown', $workings), ...array_merge([], ...$effects)];
    }

    /** @return list<string> */
    private static function numbers(Row|Total $of, Workings $workings): array
    {
        $cells = self::withShown(array_map(static fn (Column $column): string => $column->number($of)?->toString() ?? '', $workings->columns), $of->shown?->toString() ?? '', $workings);
        foreach ($workings->references as $reference) {
            $variance = $of->variances[$reference->key] ?? null;
            array_push($cells, $variance?->effect->value ?? '', null === $variance ? '' : ($variance->flagged ? 'yes' : 'no'));
        }

        return $cells;
    }

    /**
     * What is shown stands between the amounts and what they are held against.
     *
     * @param list<string> $cells
     *
     * @return list<string>
     */
    private static function withShown(array $cells, string $shown, Workings $workings): array
    {
        $amounts = \count(array_filter($workings->columns, static fn (Column $column): bool => ColumnForm::Amount === $column->form));

        return [...\array_slice($cells, 0, $amounts), $shown, ...\array_slice($cells, $amounts)];
    }

    private static function cell(string $cell): string
    {
        return CsvWriter::cell(1 === preg_match('/^-?\d+(\.\d+)?$/D', $cell) ? new Exact($cell) : $cell);
    }
}
