<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

use KeenMargin\Core\Figures\Reading\Text\CellKind;

/**
 * Finds the header of a table among notes above it, in one row or two, or sees that there is none.
 * The table is the run of rows without a blank one that holds the most cells; its first row with numbers ends the
 * header.
 */
final class HeaderFinder
{
    /** Share of the columns with numbers that the lowest row of a header names. */
    private const NAMES_MOST = 0.6;

    /** @param array<int, list<string>> $rows the first rows of the file, cleaned, blank ones as empty lists */
    public static function place(array $rows): HeaderPosition
    {
        $block = self::block($rows);
        $kinds = array_map(
            static fn (array $cells): array => array_map(CellKind::of(...), $cells),
            array_values($block),
        );
        $numbers = array_keys($block);
        $firstData = self::firstData($kinds);
        if (null === $firstData) {
            return new HeaderPosition($numbers[0] ?? 1);
        }
        $labels = \array_slice($kinds, 0, $firstData);
        if ([] === $labels) {
            $above = self::headerBefore($rows, $numbers[0]);

            return new HeaderPosition($above ?? $numbers[0], null === $above ? 0 : 1);
        }
        $amounts = self::amountColumns(\array_slice($kinds, $firstData, 60));
        $lowest = 0;
        $best = -1.0;
        foreach ($labels as $i => $row) {
            $share = self::named($row, $amounts) / max(1, \count($amounts));
            if ($share >= self::NAMES_MOST) {
                $lowest = $i;
                break;
            }
            if ($share > $best) {
                [$lowest, $best] = [$i, $share];
            }
        }
        if (isset($labels[$lowest + 1]) && self::isSecondLevel($labels[$lowest], $labels[$lowest + 1], $amounts)) {
            return new HeaderPosition($numbers[$lowest], 2);
        }
        if ($lowest > 0 && self::isGroupLevel($labels[$lowest - 1], $amounts)) {
            return new HeaderPosition($numbers[$lowest - 1], 2);
        }

        return new HeaderPosition($numbers[$lowest], 1);
    }

    /**
     * @param array<int, list<string>> $rows
     *
     * @return array<int, list<string>> the run that holds the most cells
     */
    private static function block(array $rows): array
    {
        $best = $run = [];
        $most = $held = 0;
        foreach ($rows as $number => $cells) {
            $run = [] === $cells ? [] : $run + [$number => $cells];
            $held =
                [] === $cells
                    ? 0
                    : $held + \count(array_filter($cells, static fn (string $cell): bool => '' !== $cell));
            if ($held > $most) {
                [$best, $most] = [$run, $held];
            }
        }

        return $best;
    }

    /**
     * A header that a blank row separates from its figures.
     *
     * @param array<int, list<string>> $rows
     */
    private static function headerBefore(array $rows, int $first): ?int
    {
        $width = \count(array_filter($rows[$first] ?? [], static fn (string $cell): bool => '' !== $cell));
        $before = array_filter(
            $rows,
            static fn (array $cells, int $number): bool => $number < $first && [] !== $cells,
            \ARRAY_FILTER_USE_BOTH,
        );
        $last = array_key_last($before);
        if (null === $last) {
            return null;
        }
        $named = array_filter(
            $before[$last],
            static fn (string $cell): bool => '' !== $cell && CellKind::Number !== CellKind::of($cell),
        );

        return \count($named) >= max(2, $width - 1) ? $last : null;
    }

    /** @param list<list<CellKind>> $kinds */
    private static function firstData(array $kinds): ?int
    {
        foreach ($kinds as $i => $row) {
            if (\in_array(CellKind::Number, $row, true)) {
                return $i;
            }
        }

        // Figures that all look like years: a row of them below a row of names.
        foreach ($kinds as $i => $row) {
            if ($i > 0 && \in_array(CellKind::Year, $row, true) && !\in_array(CellKind::Year, $kinds[$i - 1], true)) {
                return $i;
            }
        }

        return null;
    }

    /**
     * @param list<list<CellKind>> $rows
     *
     * @return list<int>
     */
    private static function amountColumns(array $rows): array
    {
        $counts = [];
        foreach ($rows as $row) {
            foreach ($row as $place => $kind) {
                $counts[$place] =
                    ($counts[$place] ?? 0) + (CellKind::Number === $kind ? 1 : (CellKind::Text === $kind ? -1 : 0));
            }
        }

        return array_keys(array_filter($counts, static fn (int $count): bool => $count > 0));
    }

    /**
     * @param list<CellKind> $row
     * @param list<int> $amounts
     */
    private static function named(array $row, array $amounts): int
    {
        return \count(array_filter(
            $amounts,
            static fn (int $place): bool => CellKind::Blank !== ($row[$place] ?? CellKind::Blank),
        ));
    }

    /**
     * A row below a full row of names that names the columns again, as months below scenarios do; beside the numbers
     * only one of the two has a name.
     *
     * @param list<CellKind> $upper
     * @param list<CellKind> $lower
     * @param list<int> $amounts
     */
    private static function isSecondLevel(array $upper, array $lower, array $amounts): bool
    {
        foreach ($lower as $place => $kind) {
            if (
                !\in_array($place, $amounts, true)
                && CellKind::Blank !== $kind
                && CellKind::Blank !== ($upper[$place] ?? CellKind::Blank)
            ) {
                return false;
            }
        }

        return self::named($lower, $amounts) >= self::NAMES_MOST * \count($amounts);
    }

    /**
     * A row above the names whose cells each stand for several columns: `Actual`, blank, blank, `Budget`, ….
     *
     * @param list<CellKind> $row
     * @param list<int> $amounts
     */
    private static function isGroupLevel(array $row, array $amounts): bool
    {
        return \count($amounts) > 1 && self::named($row, $amounts) > 0;
    }
}
