<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\BandColumns;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MappingFit;
use KeenMargin\Core\Figures\Reading\Mapping\PercentColumns;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\PercentMeaning;
use KeenMargin\Core\Figures\Reading\Text\Refusals;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Figures\Reading\Totals\MarkedTotals;
use KeenMargin\Core\Figures\Reading\Totals\TotalColumns;
use KeenMargin\Core\Figures\Reading\Totals\TotalRows;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\Series;

/**
 * Reads rows one at a time: what was seen before (a combination of members, a period) costs one look-up, plain numbers
 * become whole numbers without a detour.
 */
final class RowLoop
{
    private const ROWS_BETWEEN_SIGNS = 8192;
    private const ROWS_BETWEEN_CLEARINGS = 8 * self::ROWS_BETWEEN_SIGNS;
    private const SAFE_DIGITS = 17;

    public readonly RowCombinations $combinations;
    public readonly AmountColumns $amounts;
    public readonly PeriodColumn $periods;
    public readonly TotalRows $totals;
    public readonly TotalColumns $totalColumns;
    public readonly MarkedTotals $markedTotals;
    public readonly PackedRuns $runs;
    public readonly Refusals $refusals;
    public readonly SlowAmounts $slow;
    public readonly SingleAmounts $single;
    /**
     * @var array<string, string|false|null> packed start by the texts that tell the period; false where they say that
     *                                       the row is a total, none where it was refused
     */
    public array $starts = [];
    public int $rows = 0;
    /** Rows without any amount. */
    public int $without = 0;

    public readonly FileTable $sheet;
    public readonly Mapping $mapping;

    /** @throws RefusedFigures */
    public function __construct(FileTable $sheet, Mapping $mapping)
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
        $this->runs = new PackedRuns([], [], $this->amounts->decimalsOf($sheet, $mapping));
        $this->slow = new SlowAmounts($mapping->numbers(), new Currencies($sheet, $mapping), $this->refusals);
        $this->single = new SingleAmounts($mapping, $this->refusals);
    }

    /**
     * Reads all rows in one loop. Plain digits, the look-ups of combination and period, and the packing stand within
     * it, without a call for each amount, as there may be millions; what is seldom is a method of its own.
     *
     * @param FileTable $sheet the same one, or a part of it
     * @param callable(int): void $sign told the number of rows from time to time; what it throws ends the reading
     *
     * @throws RefusedFigures
     */
    public function read(FileTable $sheet, callable $sign): void
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
        $scale = $this->runs->scale;
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
                    $packed = PackedRuns::scaled($packed, $decimals - $scale, $decimals);
                    $scale = $decimals;
                } elseif ($decimals < $scale) {
                    $amount *= 10 ** ($scale - $decimals);
                    if (!\is_int($amount)) {
                        throw PackedRuns::tooLong($text, $scale);
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
        [$this->runs->packed, $this->runs->decimals, $this->runs->scale] = [$packed, $decimalsOf, $scale];
        [$this->starts, $this->rows] = [$starts, $rows];
        $sign($rows);
    }

    /**
     * What is done once every few thousand rows: telling how far it is, giving memory back, the limit of rows.
     *
     * @param callable(int): void $sign
     *
     * @throws RefusedFigures where the file has too many rows
     */
    public static function pause(int $rows, callable $sign): void
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
        $this->refusals->add($number, '', FileTable::tooWide($number, \count($cells), $width)->refusals[0]->reason);

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

    public function series(int $combination, int $slot): Series
    {
        return $this->combinations->series($combination, ...$this->amounts->meanings[$slot]);
    }
}
