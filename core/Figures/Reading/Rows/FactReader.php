<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Time\Grain;

/** Reads a sheet by its mapping into figures: all of it, or nothing and why. */
final class FactReader
{
    /**
     * @param ?callable(int): void $sign told the number of rows from time to time; what it throws ends the reading
     *
     * @throws RefusedFigures
     */
    public static function read(
        FileTable $sheet,
        Mapping $mapping,
        string $name,
        string $organisation = '',
        ?callable $sign = null,
    ): FactTable {
        return self::figures($sheet, $mapping, $name, $organisation, $sign)->table;
    }

    /**
     * @param ?callable(int): void $sign
     *
     * @throws RefusedFigures
     */
    public static function figures(
        FileTable $sheet,
        Mapping $mapping,
        string $name,
        string $organisation = '',
        ?callable $sign = null,
    ): ReadFigures {
        $sign ??= static function (int $rows): void {};
        $rows = new RowLoop($sheet, $mapping);
        try {
            self::readAll($rows, $sign);
        } catch (SecondProcessLost) {
            $rows = new RowLoop($sheet, $mapping);
            $rows->read($rows->sheet, $sign);
        }
        $rows->refusals->insistOnNone();

        return self::result($rows, $name, $organisation);
    }

    /**
     * Reads a long text in two processes, each a half of it, wherever they come to the same as one: else this one reads
     * what the other one has read.
     *
     * @param callable(int): void $sign
     *
     * @throws RefusedFigures
     * @throws SecondProcessLost where the other process was killed while it told what it had read
     */
    private static function readAll(RowLoop $rows, callable $sign): void
    {
        $isPlain =
            [] === $rows->mapping->leaveOut && [] === $rows->mapping->of(Role::Total) && $rows->single->areNone();
        $middle = $isPlain ? $rows->sheet->maybeMiddle() : null;
        $ofHalf = static fn (): iterable => self::told($rows->sheet->from((int) $middle), $rows->mapping);
        $second = null === $middle ? null : SecondProcess::maybe($ofHalf);
        if (null === $middle || null === $second) {
            $rows->read($rows->sheet, $sign);

            return;
        }
        $half = null;
        try {
            $isTaken = static function () use ($rows, $second, &$half): bool {
                $told = $second->maybeNext();
                $goesTogether =
                    $told instanceof HalfRead
                    && $rows->refusals->areNone()
                    && $told->goesWith($rows->combinations, $rows->slow->currencies);
                $half = $goesTogether ? $told : null;

                return $goesTogether;
            };
            $rows->read($rows->sheet->upTo($middle, $isTaken), $sign);
            null === $half || self::join($rows, $half, $second, $sign);
        } finally {
            $second->end();
        }
    }

    /**
     * What a second process tells of its half: nothing where a row was refused or is a total, which have to be read by
     * their numbers.
     *
     * @return \Generator<int, HalfRead|SeriesSlice>
     *
     * @throws RefusedFigures
     */
    private static function told(FileTable $sheet, Mapping $mapping): \Generator
    {
        $rows = new RowLoop($sheet, $mapping);
        $rows->read($sheet, static function (int $rows): void {});
        if (!$rows->refusals->areNone() || !$rows->totals->areNone() || !$rows->markedTotals->areNone()) {
            return;
        }
        $combinations = $rows->combinations;
        yield new HalfRead(
            combinations: $combinations->count(),
            starts: array_filter($rows->starts, is_string(...)),
            scale: $rows->runs->scale,
            rows: $rows->rows,
            without: $rows->without,
            guarded: $combinations->guarded,
            units: $combinations->units,
            currencies: $rows->slow->currencies->known,
        );
        yield from $rows->runs->slices($combinations, $rows->amounts->slots);
    }

    /**
     * @param callable(int): void $sign
     *
     * @throws RefusedFigures
     * @throws SecondProcessLost
     */
    private static function join(RowLoop $rows, HalfRead $half, SecondProcess $second, callable $sign): void
    {
        $rows->runs->add($half, $second, $rows->combinations, $rows->amounts->slots);
        $rows->combinations->units += $half->units;
        $rows->starts += $half->starts;
        $rows->rows += $half->rows;
        $rows->without += $half->without;
        RowLoop::pause($rows->rows, $sign);
    }

    /** @throws RefusedFigures */
    private static function result(RowLoop $rows, string $name, string $organisation): ReadFigures
    {
        if ([] === $rows->runs->packed) {
            throw RefusedFigures::whole('The file holds no figures: every amount is missing.');
        }
        $rows->combinations->close();
        gc_mem_caches();
        $series = [];
        foreach (array_keys($rows->runs->packed) as $run) {
            $series[$run] = $rows->series(intdiv($run, $rows->amounts->slots), $run % $rows->amounts->slots);
        }
        $days =
            Grain::Day === $rows->periods->grain && null === $rows->mapping->grain
                ? array_map(PackedAmounts::first(...), array_values(array_filter($rows->starts)))
                : [];
        // Handed over, not held: what is settled there need not stay as it was here.
        [$packed, $rows->runs->packed] = [$rows->runs->packed, []];

        return DatasetBuilder::figures(
            name: $name,
            organisation: $organisation,
            mapping: $rows->mapping,
            units: $rows->combinations->units,
            series: $series,
            packed: $packed,
            decimals: $rows->runs->decimals,
            scale: $rows->runs->scale,
            grain: $rows->periods->joined(),
            daysAreMonths: PeriodColumn::areMonths($days),
            totals: $rows->totals,
            totalColumns: $rows->totalColumns,
            markedTotals: $rows->markedTotals,
            rows: $rows->rows,
            without: $rows->without,
        );
    }
}
