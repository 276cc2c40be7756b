<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Totals;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Number\NumberFormat;

/**
 * Rows that tell no period and begin as totals do, `* Sound`, `Total freight`: left out of the figures, and held
 * against the rows before them. Such a row is the sum of those since the last one of its level, of those of the member
 * that it names, or of all.
 */
final class MarkedTotals
{
    /** @var array<int, string> the text that a row begins with, by its number */
    private array $rows = [];
    /** @var array<string, int> places of the columns with amounts, by their names */
    private readonly array $amounts;
    /** @var list<int> */
    private readonly array $breakdowns;
    /** @var list<int> */
    private readonly array $periods;
    private readonly NumberReader $numbers;

    public function __construct(private readonly FileTable $sheet, private readonly Mapping $mapping)
    {
        $places = static fn (Role $role): array => array_map(
            $sheet->placeOf(...), array_map(strval(...), array_keys($mapping->of($role))),
        );
        $names = array_map(strval(...), array_keys($mapping->of(Role::Amount)));
        $this->amounts = array_combine($names, $places(Role::Amount));
        $this->breakdowns = $places(Role::Breakdown);
        $this->periods = $places(Role::Period);
        $this->numbers = $mapping->numbers();
    }

    /**
     * Notes a row that is such a total.
     *
     * @param list<string> $cells
     */
    public function takes(int $number, array $cells): bool
    {
        $texts = array_filter(array_map(Cell::clean(...), $cells), static fn (string $text): bool => '' !== $text);
        $first = array_values($texts)[0] ?? '';
        foreach ($this->periods as $place) {
            $text = Cell::clean($cells[$place] ?? '');
            if ('' !== $text && $text !== $first) {
                return false;
            }
        }
        if ($this->mapping->keepsTotals || [] === $this->periods || !TotalWords::begins($first)) {
            return false;
        }
        if (\count($this->rows) < Limits::REFUSALS) {
            $this->rows[$number] = $first;
        }

        return true;
    }

    public function areNone(): bool
    {
        return [] === $this->rows;
    }

    /** Reads the rows once more, as what they add up to is asked of few files only. */
    public function maybeNotice(): ?Notice
    {
        if ([] === $this->rows) {
            return null;
        }
        $leftOut = Wording::count(\count($this->rows), 'row of totals was', 'rows of totals were').' left out';
        $wrong = $this->firstWrong();

        return new Notice(
            'marked-totals-left-out',
            null === $wrong,
            null === $wrong
                ? $leftOut.(1 === \count($this->rows) ? '; it ties' : '; they tie').' with the rows before'
                : "$leftOut, and $wrong",
        );
    }

    private function firstWrong(): ?string
    {
        $levels = array_unique(array_map(TotalWords::level(...), $this->rows));
        $named = array_fill_keys(array_map(TotalWords::of(...), $this->rows), []);
        $since = array_fill_keys($levels, []);
        $all = [];
        $leftOut = array_fill_keys($this->mapping->leaveOut, true);
        foreach ($this->sheet->each() as $number => $cells) {
            $amounts = isset($leftOut[$number]) ? [] : $this->amountsOf($cells);
            $text = $this->rows[$number] ?? null;
            if (null !== $text) {
                $level = TotalWords::level($text);
                $wrong = self::maybeWrong($amounts, [$since[$level], $named[TotalWords::of($text)], $all]);
                if (null !== $wrong) {
                    return "row $number, \"$text\", does not tie: $wrong";
                }
                foreach ($levels as $one) {
                    $since[$one] = $one <= $level ? [] : $since[$one];
                }
                continue;
            }
            if ([] === $amounts) {
                continue;
            }
            $all = self::added($all, $amounts);
            foreach ($levels as $level) {
                $since[$level] = self::added($since[$level], $amounts);
            }
            foreach ($this->breakdowns as $place) {
                $member = Cell::clean($cells[$place] ?? '');
                if (isset($named[$member])) {
                    $named[$member] = self::added($named[$member], $amounts);
                }
            }
        }

        return null;
    }

    /**
     * What a total says other than its rows; null where one of the sums is what it says.
     *
     * @param array<string, BigDecimal> $told by column
     * @param list<array<string, BigDecimal>> $sums the likeliest first, empty ones where there are no such rows
     */
    private static function maybeWrong(array $told, array $sums): ?string
    {
        $sums = array_values(array_filter($sums, static fn (array $sum): bool => [] !== $sum));
        $first = null;
        foreach ([] === $sums ? [[]] : $sums as $sum) {
            $wrong = null;
            foreach ($told as $column => $amount) {
                $is = $sum[$column] ?? BigDecimal::zero();
                if (!$amount->isEqualTo($is)) {
                    $wrong ??= "$column says ".self::text($amount).', its rows add up to '.self::text($is);
                }
            }
            if (null === $wrong) {
                return null;
            }
            $first ??= $wrong;
        }

        return $first;
    }

    /**
     * @param list<string> $cells
     *
     * @return array<string, BigDecimal> by column; none of those that are missing
     */
    private function amountsOf(array $cells): array
    {
        $amounts = [];
        foreach ($this->amounts as $name => $place) {
            $text = Cell::clean($cells[$place] ?? '');
            $amount = NumberReader::isMissing($text) ? null : $this->numbers->maybe($text);
            if (null !== $amount) {
                $amounts[$name] = $amount;
            }
        }

        return $amounts;
    }

    /**
     * @param array<string, BigDecimal> $sums
     * @param array<string, BigDecimal> $amounts
     *
     * @return array<string, BigDecimal>
     */
    private static function added(array $sums, array $amounts): array
    {
        foreach ($amounts as $column => $amount) {
            $sums[$column] = ($sums[$column] ?? BigDecimal::zero())->plus($amount);
        }

        return $sums;
    }

    private static function text(BigDecimal $amount): string
    {
        return NumberFormat::of('en')->plain($amount, $amount->getScale());
    }
}
