<?php

declare(strict_types=1);

namespace KeenMargin\App\Export;

use KeenMargin\App\Export\Table\ExactCell;
use KeenMargin\App\Export\Table\Formula;
use KeenMargin\App\Export\Table\TextFileWriter;
use KeenMargin\App\Export\Table\XlsxWriter;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\About\Derivation;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\DerivationRule;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * The workings as a workbook whose variances, percentages and totals are formulas over the cells that they follow from.
 */
final readonly class WorkingsXlsx
{
    private const FIRST = 3;

    /**
     * @param array<string, int> $rows where each stands in the sheet, from 1
     * @param array<string, int> $columns where each stands, from 1 after the names
     */
    private function __construct(private Workings $workings, private array $rows, private array $columns) {}

    public static function of(Workings $workings): string
    {
        $path = TextFileWriter::temporary('workings');
        $writer = XlsxWriter::to($path, $workings->context->subject);
        $sums = self::sums($workings);
        $keys = [
            ...array_map(static fn (Row $row): string => $row->key->id, $workings->table->rows),
            ...array_keys($sums),
        ];
        $ids = array_map(static fn (Column $column): string => $column->id(), $workings->table->columns);
        $sheet = new self(
            $workings,
            array_combine($keys, array_map(static fn (int $i): int => $i + self::FIRST, array_keys($keys))),
            array_combine($ids, array_map(static fn (int $i): int => $i + 1, array_keys($ids))),
        );
        $partly = self::partlyCompared($workings);
        $heads = array_map(static fn (Column $column): string => $column->head, $workings->table->columns);
        $rules = array_map(static fn (Column $column): string => $column->rule, $workings->table->columns);
        $writer->row(
            [
                $workings->context->by instanceof Grain ? 'Period' : $workings->context->by ?? 'Of',
                ...$heads,
                ...array_values($partly),
            ],
            true,
        );
        $writer->row([
            '',
            ...$rules,
            ...array_map(static fn (): string => 'Periods of the variance', array_values($partly)),
        ]);
        foreach ($workings->table->rows as $row) {
            $compared = array_map(
                static fn (string $reference): string => $row->comparesOnly($reference) ?? '',
                array_keys($partly),
            );
            $writer->row([$row->label, ...$sheet->cells($row->key->id, $row), ...$compared], $row->role->isSum());
        }
        foreach ($sums as $key => [$label, $total]) {
            $writer->row([$label, ...$sheet->cells($key, $total)], true);
        }
        $writer->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /**
     * @return array<string, string> heads of columns that say which periods are compared, by reference; only where rows
     *                               have others
     */
    private static function partlyCompared(Workings $workings): array
    {
        $heads = [];
        foreach ($workings->table->references as $reference) {
            $isPartly = static fn (Row $row): bool => null !== $row->comparesOnly($reference->key);
            if ([] !== array_filter($workings->table->rows, $isPartly)) {
                $heads[$reference->key] = "Compared with {$reference->short}";
            }
        }

        return $heads;
    }

    /** @return array<string, array{string, Total}> that are no rows already */
    private static function sums(Workings $workings): array
    {
        $sums = [];
        foreach ($workings->table->sums() as $key => $total) {
            if (!('total' === $key && $workings->table->hasTotalRow())) {
                $sums[$key] = [Workings::SUMS[$key] ?? $key, $total];
            }
        }

        return $sums;
    }

    /** @return list<string|ExactCell|Formula> */
    private function cells(string $key, Row|Total $of): array
    {
        return array_map(function (Column $column) use ($key, $of): string|ExactCell|Formula {
            $number = $column->number($of);
            if (null === $number) {
                return $column->text($of) ?? '';
            }
            $exact = new ExactCell($number->toString());
            $derived = Derivation::maybe($key, $column, $this->workings);

            return null === $derived ? $exact : new Formula($this->expression($derived), $exact);
        }, $this->workings->table->columns);
    }

    private function expression(Derivation $derived): string
    {
        $cells = [];
        foreach ($derived->rows as $row) {
            foreach ($derived->columns as $column) {
                $cells[] = XlsxWriter::reference($this->columns[$column] ?? 0, $this->rows[$row] ?? 0);
            }
        }
        $second = $cells[1] ?? '';
        $decimals = $derived->rule->decimals();

        return match ($derived->rule) {
            DerivationRule::Same => $cells[0],
            DerivationRule::Minus => "$cells[0]-$second",
            DerivationRule::Percent => "ROUND(100*$cells[0]/ABS($second),$decimals)",
            DerivationRule::Rate => "ROUND(100*$cells[0]/$second,$decimals)",
            DerivationRule::Volume => "ROUND(($cells[1]-$cells[0])/$cells[0]*$cells[2],{$this->decimals()})",
            DerivationRule::RateChange => "ROUND($cells[3]-$cells[1]*$cells[2]/$cells[0],{$this->decimals()})",
            DerivationRule::Sum => 'SUM('.self::runs($cells).')',
        };
    }

    private function decimals(): int
    {
        return $this->workings->context->measure()->decimals;
    }

    /**
     * Cells of one column, those below one another told as a run.
     *
     * @param list<string> $cells
     */
    private static function runs(array $cells): string
    {
        $runs = [];
        foreach ($cells as $cell) {
            $row = (int) preg_replace('/\D/', '', $cell);
            $last = \count($runs) - 1;
            if ($last >= 0 && $runs[$last][2] === $row - 1) {
                $runs[$last][1] = $cell;
                $runs[$last][2] = $row;
            } else {
                $runs[] = [$cell, $cell, $row];
            }
        }

        return implode(
            ',',
            array_map(static fn (array $run): string => $run[0] === $run[1] ? $run[0] : "$run[0]:$run[1]", $runs),
        );
    }
}
