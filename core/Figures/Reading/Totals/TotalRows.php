<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Totals;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Figures\Series\SeriesAdder;
use KeenMargin\Core\Number\NumberFormat;

/** Rows that are named as totals: left out of the figures, and compared with their sum at the end. */
final class TotalRows
{
    /**
     * @var array<int, list<array{Series, ?int, int, int}>> series with the total's own words as members, period start,
     *                                                      amount, its decimals; by row number
     */
    private array $rows = [];

    public function add(int $row, Series $of, ?int $start, int $amount, int $decimals): void
    {
        if (\count($this->rows) < Limits::REFUSALS || isset($this->rows[$row])) {
            $this->rows[$row][] = [$of, $start, $amount, $decimals];
        }
    }

    public function areNone(): bool
    {
        return [] === $this->rows;
    }

    /**
     * @param list<Series> $series
     * @param list<string> $packed amounts of the same series, all with this number of decimals
     */
    public function maybeNotice(array $series, array $packed, int $decimals): ?Notice
    {
        if ([] === $this->rows) {
            return null;
        }
        $leftOut = Wording::count(\count($this->rows), 'row of totals was', 'rows of totals were').' left out';
        $sums = [];
        foreach ($this->rows as $number => $totals) {
            foreach ($totals as [$of, $start, $amount, $own]) {
                $known = $sums[$of->key()] ??= self::sums($of, $series, $packed);
                $sum = null === $start ? array_sum($known) : $known[$start] ?? 0;
                $total = $amount * 10 ** ($decimals - $own);
                if (!\is_int($sum) || !\is_int($total)) {
                    return new Notice(
                        'totals-left-out',
                        false,
                        "$leftOut, and row $number was not held against its figures: their sum has too many digits",
                    );
                }
                if ($sum !== $total) {
                    return new Notice(
                        'totals-left-out',
                        false,
                        \sprintf(
                            '%s, and row %d does not tie: it says %s, its figures add up to %s',
                            $leftOut,
                            $number,
                            self::text($amount, $own),
                            self::text($sum, $decimals),
                        ),
                    );
                }
            }
        }

        return new Notice(
            'totals-left-out',
            true,
            Wording::count(
                \count($this->rows),
                'row of totals was left out; it ties with its figures',
                'rows of totals were left out; they tie with their figures',
            ),
        );
    }

    /**
     * What the figures add up to by period, over all members that the total does not name.
     *
     * @param list<Series> $series
     * @param list<string> $packed
     *
     * @return array<int, int|float> floats where a sum has outgrown the machine's integers
     */
    private static function sums(Series $of, array $series, array $packed): array
    {
        $adder = new SeriesAdder();
        foreach ($series as $i => $one) {
            if (
                $one->measure === $of->measure
                && $one->scenario === $of->scenario
                && self::holds($of->members(), $one->members())
            ) {
                $adder->add($of->measure, $of->scenario->value, $packed[$i], false);
            }
        }
        foreach ($adder->each() as [, , $sums]) {
            return $sums ?? array_fill_keys($adder->starts()[$of->scenario->value], \NAN);
        }

        return [];
    }

    /**
     * @param list<string> $total
     * @param list<string> $members
     */
    private static function holds(array $total, array $members): bool
    {
        foreach ($total as $i => $name) {
            if ('' !== $name && $name !== $members[$i] && !TotalWords::isTotal($name)) {
                return false;
            }
        }

        return true;
    }

    private static function text(int $amount, int $decimals): string
    {
        return NumberFormat::of('en')->plain(
            BigDecimal::ofUnscaledValue($amount, max(0, $decimals)), max(0, $decimals),
        );
    }
}
