<?php

declare(strict_types=1);

namespace KeenMargin\App\Export;

use KeenMargin\App\Export\Table\CsvWriter;
use KeenMargin\App\Export\Table\ExactCell;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** The workings as a table of exact numbers, for any program. */
final class WorkingsCsv
{
    public static function of(Workings $workings): string
    {
        $lines = [self::head($workings)];
        foreach ($workings->table->rows as $row) {
            $lines[] = [$row->key->id, ...self::numbers($row, $workings)];
        }
        $workings->table->hasTotalRow() || ($lines[] = ['Total', ...self::numbers($workings->table->total, $workings)]);

        return implode(
            '',
            array_map(
                static fn (array $line): string => implode(',', array_map(self::cell(...), $line))."\r\n",
                $lines,
            ),
        );
    }

    /** @return list<string> */
    private static function head(Workings $workings): array
    {
        $head = static fn (Column $column): string => match ($column->form) {
            ColumnForm::Variance, ColumnForm::Points => "Variance {$column->key}",
            ColumnForm::Percent => "Variance {$column->key} %",
            default => $column->head,
        };

        return [
            $workings->context->by instanceof Grain ? 'Period' : $workings->context->by ?? 'Of',
            ...self::inOrder(
                $workings,
                $head,
                'Shown',
                static fn (string $key): array => ["Effect $key", "Flagged $key", "Compared $key", "Absent $key"],
            ),
        ];
    }

    /** @return list<string> */
    private static function numbers(Row|Total $of, Workings $workings): array
    {
        $verdict = static function (string $key) use ($of): array {
            $variance = $of->variances[$key] ?? null;
            if (null === $variance) {
                return ['', '', '', ''];
            }

            return [
                $variance->effect->value,
                $variance->flagged ? 'yes' : 'no',
                self::compared($of, $key),
                $variance->absent->value ?? '',
            ];
        };

        return self::inOrder(
            $workings,
            static fn (Column $column): string => $column->text($of) ?? ($column->number($of)?->toString() ?? ''),
            $of->shown?->toString() ?? '',
            $verdict,
        );
    }

    /** `all`, `Jan and Feb only`, `without 2026-03` */
    private static function compared(Row|Total $of, string $reference): string
    {
        if ($of instanceof Row) {
            return $of->comparesOnly($reference) ?? 'all';
        }
        $leftOut = ($of->leftOut[$reference] ?? new LeftOut())->all();
        $keys = array_map(static fn (Period $period): string => $period->key(), $leftOut);

        return [] === $keys ? 'all' : 'without '.implode(' ', $keys);
    }

    /**
     * Amounts, what is shown of them, and for each reference the variance with its effect and flag.
     *
     * @param callable(Column): string $cell
     * @param callable(string): list<string> $verdict
     *
     * @return list<string>
     */
    private static function inOrder(Workings $workings, callable $cell, string $shown, callable $verdict): array
    {
        $cells = [];
        $isShown = false;
        // What is shown has a column in any case.
        $columns = array_values(
            array_filter($workings->table->columns, static fn (Column $column): bool => 'shown' !== $column->id()),
        );
        foreach ($columns as $i => $column) {
            if (!$isShown && ColumnForm::Amount !== $column->form) {
                $cells[] = $shown;
                $isShown = true;
            }
            $cells[] = $cell($column);
            $next = $columns[$i + 1] ?? null;
            if (
                $column->form->isOfVariance()
                && (null === $next || $next->key !== $column->key || !$next->form->isOfVariance())
            ) {
                array_push($cells, ...$verdict($column->key));
            }
        }

        return $isShown ? $cells : [...$cells, $shown];
    }

    private static function cell(string $cell): string
    {
        return CsvWriter::cell(1 === preg_match('/^-?\d+(\.\d+)?$/D', $cell) ? new ExactCell($cell) : $cell);
    }
}
