<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\BandColumns;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MappingFit;
use KeenMargin\Core\Figures\Reading\Mapping\PercentColumns;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Table\Sheet;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\PercentMeaning;
use KeenMargin\Core\Figures\Reading\Text\Refusals;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Figures\Reading\Totals\MarkedTotals;
use KeenMargin\Core\Figures\Reading\Totals\TotalColumns;
use KeenMargin\Core\Figures\Reading\Totals\TotalRows;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Time\Grain;

/**
 * Reads a sheet by its mapping into figures: all of it, or nothing and why. A row at a time; what was seen before
 * (a combination of members, a period) costs one look-up, plain numbers become whole numbers without a detour.
 */
final class FactReader
{
    private const ROWS_BETWEEN_SIGNS = 8192;
    private const ROWS_BETWEEN_CLEARINGS = 8 * self::ROWS_BETWEEN_SIGNS;
    private const SAFE_DIGITS = 17;
    /** Combinations that a second process tells at once. */
    private const COMBINATIONS_AT_ONCE = 4096;

    private readonly RowCombinations $combinations;
    private readonly AmountColumns $amounts;
    private readonly PeriodColumn $periods;
    private readonly TotalRows $totals;
    private readonly TotalColumns $totalColumns;
    private readonly MarkedTotals $markedTotals;
    /** @var array<int, string> packed amounts by combination and slot, in the order of the rows */
    private array $packed = [];
    /** @var array<int, int> decimals that the amounts really have, by the same number */
    private array $decimals = [];
    /** All amounts are scaled to this many decimals while they are read. */
    private int $scale;
    private readonly Refusals $refusals;
    private readonly SlowAmounts $slow;
    private readonly SingleAmounts $single;
    /**
     * @var array<string, string|false|null> packed start by the texts that tell the period; false where they say that
     *                                       the row is a total, none where it was refused
     */
    private array $starts = [];
    private int $rows = 0;
    private int $without = 0;

    private readonly Sheet $sheet;
    private readonly Mapping $mapping;

    /** @throws RefusedFigures */
    private function __construct(Sheet $sheet, Mapping $mapping)
    {
        MappingFit::insist($sheet, $mapping);
        $this->refusals = new Refusals();
        if ([] !== $mapping->of(Role::Band)) {
            $bands = BandColumns::of($sheet, $mapping);
            $sheet = $sheet->reading(
                fn (RowSource $source): RowSource => new BandRows($source, $bands, $mapping, $this->refusals),
            );
            $mapping = BandColumns::asAmounts($sheet, $mapping);
        }
        if (PercentMeaning::Fractions === $mapping->percents) {
            $places = array_map($sheet->placeOf(...), PercentColumns::mixed($sheet, $mapping));
            $sheet = $sheet->reading(
                static fn (RowSource $source): RowSource => new FractionRows($source, $places, $mapping),
            );
        }
        [$this->sheet, $this->mapping] = [$sheet, $mapping];
        $this->combinations = new RowCombinations($sheet, $mapping);
        $this->amounts = AmountColumns::of($sheet, $mapping);
        $this->periods = PeriodColumn::of($sheet, $mapping);
        $this->totals = new TotalRows();
        $this->totalColumns = new TotalColumns($sheet, $mapping);
        $this->markedTotals = new MarkedTotals($sheet, $mapping);
        $this->scale = $this->amounts->decimalsOf($sheet, $mapping);
        $this->slow = new SlowAmounts($mapping->numbers(), new Currencies($sheet, $mapping), $this->refusals);
        $this->single = new SingleAmounts($mapping, $this->refusals);
    }

    /**
     * @param ?callable(int): void $sign told the number of rows from time to time; what it throws ends the reading
     *
     * @throws RefusedFigures
     */
    public static function read(
        Sheet $sheet,
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
        Sheet $sheet,
        Mapping $mapping,
        string $name,
        string $organisation = '',
        ?callable $sign = null,
    ): ReadFigures {
        $sign ??= static function (int $rows): void {};
        $reader = new self($sheet, $mapping);
        try {
            $reader->readAll($sign);
        } catch (SecondProcessLost) {
            $reader = new self($sheet, $mapping);
            $reader->readRows($reader->sheet, $sign);
        }
        $reader->refusals->insistOnNone();

        return $reader->result($name, $organisation);
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
    private function readAll(callable $sign): void
    {
        $isPlain =
            [] === $this->mapping->leaveOut && [] === $this->mapping->of(Role::Total) && $this->single->areNone();
        $middle = $isPlain ? $this->sheet->maybeMiddle() : null;
        $second =
            null === $middle
                ? null
                : SecondProcess::maybe(fn (): iterable => self::told($this->sheet->from($middle), $this->mapping));
        if (null === $middle || null === $second) {
            $this->readRows($this->sheet, $sign);

            return;
        }
        $half = null;
        try {
            $this->readRows($this->sheet->upTo($middle, function () use ($second, &$half): bool {
                $half = $this->maybeHalf($second);

                return null !== $half;
            }), $sign);
            null === $half || $this->join($half, $second, $sign);
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
    private static function told(Sheet $sheet, Mapping $mapping): \Generator
    {
        $reader = new self($sheet, $mapping);
        $reader->readRows($sheet, static function (int $rows): void {});
        if (!$reader->refusals->areNone() || !$reader->totals->areNone() || !$reader->markedTotals->areNone()) {
            return;
        }
        $combinations = $reader->combinations;
        yield new HalfRead(
            combinations: $combinations->count(),
            starts: array_filter($reader->starts, is_string(...)),
            scale: $reader->scale,
            rows: $reader->rows,
            without: $reader->without,
            guarded: $combinations->guarded,
            units: $combinations->units,
            currencies: $reader->slow->currencies->known,
        );
        $slots = $reader->amounts->slots;
        $from = 0;
        while ([] !== ($texts = $combinations->slice($from, self::COMBINATIONS_AT_ONCE))) {
            $packed = $decimals = [];
            for ($run = $from * $slots, $end = $run + \count($texts) * $slots; $run < $end; ++$run) {
                if (isset($reader->packed[$run])) {
                    $packed[$run - $from * $slots] = $reader->packed[$run];
                    $decimals[$run - $from * $slots] = $reader->decimals[$run] ?? 0;
                }
            }
            yield new SeriesSlice($texts, $packed, $decimals);
            $from += \count($texts);
        }
    }

    /** What the second process has read, where it goes together with what was read here. */
    private function maybeHalf(SecondProcess $second): ?HalfRead
    {
        $half = $second->maybeNext();
        if (!($half instanceof HalfRead) || !$this->refusals->areNone()) {
            return null;
        }
        $differs = static fn (array $one, array $other): bool => array_intersect_key($one, $other) !=
            array_intersect_key($other, $one);
        foreach ($half->guarded as $breakdown => $names) {
            if ($differs($this->combinations->guarded[$breakdown] ?? [], $names)) {
                return null;
            }
        }

        return $differs($this->combinations->units, $half->units)
            || $differs($this->slow->currencies->known, $half->currencies)
            ? null
            : $half;
    }

    /**
     * Puts the amounts of the second half behind those of the first, as if they had been read one after the other.
     *
     * @param callable(int): void $sign
     *
     * @throws RefusedFigures
     * @throws SecondProcessLost
     */
    private function join(HalfRead $half, SecondProcess $second, callable $sign): void
    {
        $scale = max($this->scale, $half->scale);
        $this->packed = self::scaled($this->packed, $scale - $this->scale, $scale);
        $slots = $this->amounts->slots;
        $packed = $this->packed;
        $this->packed = [];
        $missing = $half->combinations;
        while (($slice = $second->maybeNext()) instanceof SeriesSlice) {
            $missing -= \count($slice->combinations);
            $numbers = array_map($this->combinations->numberOf(...), $slice->combinations);
            foreach (self::scaled($slice->packed, $scale - $half->scale, $scale) as $place => $amounts) {
                $run = $numbers[intdiv($place, $slots)] * $slots + $place % $slots;
                $packed[$run] ??= '';
                $packed[$run] .= $amounts;
                $this->decimals[$run] = max($this->decimals[$run] ?? 0, $slice->decimals[$place]);
            }
        }
        if (0 !== $missing) {
            throw new SecondProcessLost();
        }
        [$this->packed, $this->scale] = [$packed, $scale];
        $this->combinations->units += $half->units;
        $this->starts += $half->starts;
        $this->rows += $half->rows;
        $this->without += $half->without;
        self::pause($this->rows, $sign);
    }

    /**
     * @param array<int, string> $packed
     *
     * @return array<int, string>
     *
     * @throws RefusedFigures
     */
    private static function scaled(array $packed, int $power, int $decimals): array
    {
        return 0 === $power
            ? $packed
            : ScaledRuns::of($packed, $power) ?? throw self::tooLong('of other rows', $decimals);
    }

    /**
     * Reads all rows in one loop. Plain digits, the look-ups of combination and period, and the packing stand within
     * it, without a call for each amount, as there may be millions; what is seldom is a method of its own.
     *
     * @param callable(int): void $sign
     *
     * @throws RefusedFigures
     */
    private function readRows(Sheet $sheet, callable $sign): void
    {
        $leaveOut = array_fill_keys($this->mapping->leaveOut, true);
        $width = \count($this->sheet->header);
        $slots = $this->amounts->slots;
        $places = $this->combinations->places;
        $columns = $this->amounts->columns;
        $point = $this->mapping->decimal->value;
        $onePeriod = $this->periods->onePlace();
        $hasSingle = !$this->single->areNone();
        // Everything that each row touches is local: properties cost twice as much.
        $packed = $decimalsOf = $known = $starts = [];
        $isTotal = &$this->combinations->totals;
        $scale = $this->scale;
        $hasTotals = [] !== $this->mapping->of(Role::Total);
        $rows = 0;
        foreach ($sheet->each() as $number => $cells) {
            if (0 === ++$rows % self::ROWS_BETWEEN_SIGNS) {
                self::pause($rows, $sign);
            }
            if (isset($leaveOut[$number]) || (isset($cells[$width]) && !$this->fits($number, $cells, $width))) {
                continue;
            }
            $combination = null;
            foreach ($columns as [$place, $slot, $header, $power]) {
                $text = $cells[$place] ?? '';
                if ('' === $text) {
                    continue;
                }
                $at = strpos($text, $point);
                if (false === $at) {
                    [$digits, $decimals] = [$text, 0];
                } else {
                    $digits = substr($text, 0, $at).substr($text, $at + 1);
                    $decimals = \strlen($digits) - $at;
                }
                if (ctype_digit($digits) && !isset($digits[self::SAFE_DIGITS]) && (false === $at || $decimals > 0)) {
                    $amount = (int) $digits;
                } elseif (
                    '-' === $text[0]
                    && ctype_digit(substr($digits, 1))
                    && !isset($digits[self::SAFE_DIGITS])
                    && (false === $at || $decimals > 0)
                ) {
                    $amount = (int) $digits;
                } else {
                    $read = $this->slow->maybe($number, $this->sheet->header[$place], $text, $cells);
                    if (null === $read) {
                        continue;
                    }
                    [$amount, $decimals] = $read;
                }
                if (null === $combination) {
                    $key = '';
                    foreach ($places as $at) {
                        $key .= ($cells[$at] ?? '')."\0";
                    }
                    $combination = $known[$key] ??= $this->combinations->number($cells);
                    if ($combination < 0) {
                        unset($known[$key]);
                        $this->refuseCombination($number, $cells);
                        break;
                    }
                }
                $when =
                    null === $onePeriod || '' !== $header
                        ? $this->periods->text($cells)."\0".$header
                        : $cells[$onePeriod] ?? '';
                $start = $starts[$when] ?? ($starts[$when] = $this->start($number, $cells, $header));
                if (null === $start) {
                    break;
                }
                $decimals -= $power;
                if (false === $start || isset($isTotal[$combination])) {
                    $this->addToTotals($number, $this->series($combination, $slot), $start, $amount, $decimals);
                    continue;
                }
                if ($decimals > $scale) {
                    $packed = self::scaled($packed, $decimals - $scale, $decimals);
                    $scale = $decimals;
                } elseif ($decimals < $scale) {
                    $amount *= 10 ** ($scale - $decimals);
                    if (!\is_int($amount)) {
                        throw self::tooLong($text, $scale);
                    }
                }
                $run = $combination * $slots + $slot;
                if (
                    $hasSingle
                    && !$this->single->takes($number, $this->series($combination, $slot)->measure, $run, $start)
                ) {
                    continue;
                }
                $packed[$run] ??= '';
                $packed[$run] .= $start.pack('q', $amount);
                if ($decimals > ($decimalsOf[$run] ?? 0)) {
                    $decimalsOf[$run] = $decimals;
                }
            }
            if (null === $combination && '' !== trim(implode('', $cells))) {
                ++$this->without;
            }
            if ($hasTotals) {
                $this->totalColumns->check($number, $cells);
            }
        }
        [$this->packed, $this->decimals, $this->starts, $this->scale, $this->rows] = [
            $packed,
            $decimalsOf,
            $starts,
            $scale,
            $rows,
        ];
        $sign($rows);
    }

    /**
     * What is done once every few thousand rows: telling how far it is, giving memory back, the limit of rows.
     *
     * @param callable(int): void $sign
     *
     * @throws RefusedFigures where the file has too many rows
     */
    private static function pause(int $rows, callable $sign): void
    {
        $sign($rows);
        // Packed amounts grow from one size of memory block to the next; the smaller blocks are given back.
        if (0 === $rows % self::ROWS_BETWEEN_CLEARINGS) {
            gc_mem_caches();
        }
        if ($rows > Limits::ROWS) {
            $limit = number_format(Limits::ROWS);

            throw RefusedFigures::whole(
                "The file has more than $limit rows. Split it, or leave out what is not needed.",
            );
        }
    }

    /**
     * @param list<string> $cells
     *
     * @throws RefusedFigures
     */
    private function refuseCombination(int $number, array $cells): void
    {
        if ($this->markedTotals->takes($number, $cells)) {
            return;
        }
        $this->combinations->number($cells);
        $this->refusals->add($number, ...$this->combinations->refusal);
    }

    /**
     * Keeps an amount that is a total, to be compared with the sum of the others.
     *
     * @param string|false $start packed; false where the text of the period says that the row is a total
     * @param int $decimals of the amount; negative where it counts thousands and more
     */
    private function addToTotals(int $number, Series $series, string|false $start, int $amount, int $decimals): void
    {
        $this->totals->add(
            $number,
            $series,
            false === $start ? null : PackedAmounts::first($start),
            $decimals < 0 ? $amount * 10 ** -$decimals : $amount,
            max(0, $decimals),
        );
    }

    /**
     * @param list<string> $cells
     *
     * @throws RefusedFigures
     */
    private function fits(int $number, array $cells, int $width): bool
    {
        if ('' === trim(implode('', \array_slice($cells, $width)))) {
            return true;
        }
        $this->refusals->add($number, '', Sheet::tooWide($number, \count($cells), $width)->refusals[0]->reason);

        return false;
    }

    /**
     * @param list<string> $cells
     *
     * @return string|false|null packed; false where the period says that the row is a total, none where it is refused
     *                           or is a total that tells no period
     *
     * @throws RefusedFigures
     */
    private function start(int $number, array $cells, string $header): string|false|null
    {
        $text = $this->periods->text($cells);
        if (!$this->mapping->keepsTotals && TotalWords::isTotal($text)) {
            return false;
        }
        $period = $this->periods->maybe($text, $header);
        if (null === $period) {
            if ($this->markedTotals->takes($number, $cells)) {
                return null;
            }
            $this->refusals->add($number, $this->periods->name(), $this->periods->why($cells));

            return null;
        }

        return pack('q', $period->start);
    }

    private function series(int $combination, int $slot): Series
    {
        return $this->combinations->series($combination, ...$this->amounts->meanings[$slot]);
    }

    /** @throws RefusedFigures */
    private function result(string $name, string $organisation): ReadFigures
    {
        if ([] === $this->packed) {
            throw RefusedFigures::whole('The file holds no figures: every amount is missing.');
        }
        $this->combinations->close();
        gc_mem_caches();
        $series = [];
        foreach (array_keys($this->packed) as $run) {
            $series[$run] = $this->series(intdiv($run, $this->amounts->slots), $run % $this->amounts->slots);
        }
        $days =
            Grain::Day === $this->periods->grain && null === $this->mapping->grain
                ? array_map(PackedAmounts::first(...), array_values(array_filter($this->starts)))
                : [];
        // Handed over, not held: what is settled there need not stay as it was here.
        [$packed, $this->packed] = [$this->packed, []];

        return DatasetBuilder::figures(
            name: $name,
            organisation: $organisation,
            mapping: $this->mapping,
            units: $this->combinations->units,
            series: $series,
            packed: $packed,
            decimals: $this->decimals,
            scale: $this->scale,
            grain: $this->periods->joined(),
            daysAreMonths: PeriodColumn::areMonths($days),
            totals: $this->totals,
            totalColumns: $this->totalColumns,
            markedTotals: $this->markedTotals,
            rows: $this->rows,
            without: $this->without,
        );
    }

    private static function tooLong(string $amount, int $decimals): RefusedFigures
    {
        return RefusedFigures::whole(
            "The amount $amount has too many digits beside amounts with $decimals decimals. Give fewer decimals.",
        );
    }
}
