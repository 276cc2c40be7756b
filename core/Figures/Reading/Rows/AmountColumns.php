<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\ColumnRole;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MeasureRule;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Scenario;

/**
 * The columns that hold amounts. Those that count the same in the same scenario and differ only in their period share a
 * slot.
 */
final readonly class AmountColumns
{
    /**
     * @param list<array{int, int, string, int}> $columns place, slot, the header that tells the period or '', power of
     *                                                    ten
     * @param list<array{?Scenario, ?string}> $meanings scenario and measure by slot
     * @param positive-int $slots how many there are
     */
    private function __construct(public array $columns, public array $meanings, public int $slots) {}

    public static function of(FileTable $sheet, Mapping $mapping): self
    {
        $columns = $meanings = $slots = [];
        foreach ($mapping->of(Role::Amount) as $name => $column) {
            $key = ($column->scenario->value ?? '')."\0".$column->measure;
            if (!isset($slots[$key])) {
                $slots[$key] = \count($meanings);
                $meanings[] = [$column->scenario, $column->measure];
            }
            $columns[] = [
                $sheet->placeOf((string) $name),
                $slots[$key],
                $column->period ?? '',
                self::rule($mapping, $column)->power,
            ];
        }

        return new self($columns, $meanings, max(1, \count($meanings)));
    }

    /** Decimals that the first rows' amounts have at the most, in the unit that they become. */
    public function decimalsOf(FileTable $sheet, Mapping $mapping): int
    {
        $most = 0;
        foreach ($this->columns as [$place, , , $power]) {
            foreach ($sheet->column($place) as $text) {
                $amount = $mapping->numbers()->maybe($text);
                if (null !== $amount && $amount->getScale() <= Limits::DIGITS) {
                    $most = max($most, $amount->getScale() - $power);
                }
            }
        }

        return $most;
    }

    private static function rule(Mapping $mapping, ColumnRole $column): MeasureRule
    {
        return $mapping->measures[$column->measure ?? ($mapping->measure ?? RoleGuess::DEFAULT_MEASURE)] ??
            new MeasureRule();
    }
}
