<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

use KeenMargin\Core\Figures\Reading\Text\CellKind;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;

/** Names the columns of a table: from its header in one row or two, or by what they hold where it has none. */
final class ColumnNames
{
    private const LONGEST = 120;

    /**
     * @param array<int, list<string>> $rows the first rows of the file, cleaned
     *
     * @return array{list<string>, list<list<string>>} the names, every one once, and their parts
     *
     * @throws RefusedFigures
     */
    public static function of(array $rows, HeaderPosition $place): array
    {
        $levels = match ($place->levels) {
            0 => self::byContents(\array_slice(array_filter($rows), 0, 50)),
            1 => array_map(static fn (string $name): array => [$name], $rows[$place->row] ?? []),
            2 => self::joined($rows[$place->row] ?? [], $rows[$place->row + 1] ?? []),
        };
        $levels = self::widened($levels, $rows, $place);
        if (\count($levels) > Limits::COLUMNS) {
            throw RefusedFigures::whole(\sprintf(
                'The file has %s columns; up to %s can be read.',
                number_format(\count($levels)),
                number_format(Limits::COLUMNS),
            ));
        }
        $names = [];
        $taken = [];
        foreach ($levels as $i => $parts) {
            $name = mb_substr(
                implode(', ', array_filter($parts, static fn (string $part): bool => '' !== $part)),
                0,
                self::LONGEST,
            );
            $name = '' === $name ? 'Column '.($i + 1) : $name;
            for ($n = 2, $plain = $name; isset($taken[$name]); ++$n) {
                $name = "$plain ($n)";
            }
            $taken[$name] = true;
            $names[] = $name;
        }

        return [$names, $levels];
    }

    /**
     * Columns without a name count where most rows have them; in a single row they are a slip.
     *
     * @param list<list<string>> $levels
     * @param array<int, list<string>> $rows
     *
     * @return list<list<string>>
     */
    private static function widened(array $levels, array $rows, HeaderPosition $place): array
    {
        $widths = [];
        foreach ($rows as $number => $cells) {
            if ($number >= $place->row + $place->levels && [] !== $cells) {
                $widths[] = \count($cells);
            }
        }
        sort($widths);
        $usual = $widths[intdiv(\count($widths), 2)] ?? 0;

        return \count($widths) > 2 && $usual > \count($levels) ? array_pad($levels, $usual, ['']) : $levels;
    }

    /**
     * Two levels; a name of the upper one stands for the columns to its right as well, until the next.
     *
     * @param list<string> $upper
     * @param list<string> $lower
     *
     * @return list<list<string>>
     */
    private static function joined(array $upper, array $lower): array
    {
        $levels = [];
        $current = '';
        for ($i = 0, $width = max(\count($upper), \count($lower)); $i < $width; ++$i) {
            $current = '' === ($upper[$i] ?? '') ? $current : $upper[$i];
            $own = $lower[$i] ?? '';
            // A name that stands in the upper row alone is the column's whole name.
            $levels[] = array_values(array_filter(
                '' === $own ? [$upper[$i] ?? ''] : [$current, $own],
                static fn (string $part): bool => '' !== $part,
            ));
        }

        return $levels;
    }

    /**
     * @param list<list<string>> $rows
     *
     * @return list<list<string>>
     */
    private static function byContents(array $rows): array
    {
        $periods = new PeriodReader();
        $names = [];
        for ($i = 0, $width = max(array_map(\count(...), $rows) ?: [0]); $i < $width; ++$i) {
            $cells = array_values(array_filter(
                array_map(static fn (array $row): string => $row[$i] ?? '', $rows),
                static fn (string $cell): bool => '' !== $cell,
            ));
            $of = static fn (callable $holds): bool => [] !== $cells
                && 2 * \count(array_filter($cells, $holds)) > \count($cells);
            $names[] = [
                match (true) {
                    $of(static fn (string $cell): bool => CellKind::Number === CellKind::of($cell)) => 'Amount',
                    $of(
                        static fn (string $cell): bool => null !== $periods->maybe($cell)
                            || PeriodReader::lacksYear($cell),
                    ) => 'Period',
                    $of(static fn (string $cell): bool => null !== ScenarioWords::maybe($cell)) => 'Scenario',
                    default => 'Name',
                },
            ];
        }

        return $names;
    }
}
