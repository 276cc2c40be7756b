<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\BandColumns;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Figures\Series\Series;

/** Finds the rows of a file that amounts came from: those which, read the same way again, give the same keys. */
final class SourceRows
{
    /**
     * @param callable(Series): bool $wanted whether any amount of the series may be wanted
     * @param callable(Series, int): bool $at whether the amount of the period that starts there is wanted
     *
     * @return \Generator<int, array{list<string>, list<string>}> the cells of a row and the columns that hold the
     *                                                            amounts, by row number
     *
     * @throws RefusedFigures
     */
    public static function of(FileTable $sheet, Mapping $mapping, callable $wanted, callable $at): \Generator
    {
        $mapping = BandColumns::asAmounts($sheet, $mapping);
        $combinations = new RowCombinations($sheet, $mapping);
        $amounts = AmountColumns::of($sheet, $mapping);
        $periods = PeriodColumn::of($sheet, $mapping);
        $leaveOut = array_fill_keys($mapping->leaveOut, true);
        $isWanted = [];
        foreach ($sheet->each() as $number => $cells) {
            if (isset($leaveOut[$number])) {
                continue;
            }
            $key = '';
            foreach ($combinations->places as $place) {
                $key .= ($cells[$place] ?? '')."\0";
            }
            $isWanted[$key] ??= self::slots($combinations, $amounts, $cells, $wanted);
            $columns = [];
            foreach ([] === $isWanted[$key] ? [] : $amounts->columns as [$place, $slot, $header]) {
                if (
                    isset($isWanted[$key][$slot])
                    && !NumberReader::isMissing(Cell::clean($cells[$place] ?? ''))
                    && self::falls(
                        periods: $periods,
                        mapping: $mapping,
                        cells: $cells,
                        header: $header,
                        series: $isWanted[$key][$slot],
                        at: $at,
                    )
                ) {
                    $columns[] = $sheet->header[$place];
                }
            }
            if ([] !== $columns) {
                yield $number => [array_map(Cell::clean(...), $cells), $columns];
            }
        }
    }

    /**
     * @param list<string> $cells
     * @param callable(Series): bool $wanted
     *
     * @return array<int, Series> those that are wanted, by slot
     *
     * @throws RefusedFigures
     */
    private static function slots(
        RowCombinations $combinations,
        AmountColumns $amounts,
        array $cells,
        callable $wanted,
    ): array {
        $combination = $combinations->number($cells);
        if ($combination < 0 || isset($combinations->totals[$combination])) {
            return [];
        }
        $slots = [];
        foreach ($amounts->meanings as $slot => $meaning) {
            $series = $combinations->series($combination, ...$meaning);
            if ($wanted($series)) {
                $slots[$slot] = $series;
            }
        }

        return $slots;
    }

    /**
     * @param list<string> $cells
     * @param callable(Series, int): bool $at
     */
    private static function falls(
        PeriodColumn $periods,
        Mapping $mapping,
        array $cells,
        string $header,
        Series $series,
        callable $at,
    ): bool {
        $text = $periods->text($cells);
        $period = !$mapping->keepsTotals && TotalWords::isTotal($text) ? null : $periods->maybe($text, $header);

        return null !== $period && $at($series, $period->start);
    }
}
