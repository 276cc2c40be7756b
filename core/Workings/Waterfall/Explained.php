<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Workings\Result\Row;

/** Shares of steps: of all steps of the same sign, and of a grand total. */
final class Explained
{
    /** How much of all changes of its sign a step is, in percent. */
    public const OF_SIGN = 'explains';
    /** How much of the grand total a step is, in percent. */
    public const OF_TOTAL = 'share';

    /**
     * @param list<Row> $rows of all panels
     *
     * @return list<Row> with OF_SIGN, steps of opened steps without
     */
    public static function bySign(array $rows): array
    {
        $sums = [];
        foreach ($rows as $row) {
            $change = self::maybeChange($row);
            if (null !== $change) {
                $key = $row->panel.$change->getSign();
                $sums[$key] = ($sums[$key] ?? BigDecimal::zero())->plus($change);
            }
        }

        return array_map(static function (Row $row) use ($sums): Row {
            $change = self::maybeChange($row);
            $all = null === $change ? null : $sums[$row->panel.$change->getSign()] ?? null;

            return self::with(
                $row,
                self::OF_SIGN,
                null === $change || null === $all ? null : ExactNumber::percentOf($change, $all),
            );
        }, $rows);
    }

    /**
     * @param list<Row> $rows of all panels
     * @param array<string, BigDecimal> $totals by panel
     *
     * @return list<Row> with OF_TOTAL; none where the total is zero
     */
    public static function ofTotal(array $rows, array $totals): array
    {
        return array_map(static function (Row $row) use ($totals): Row {
            $total = $totals[$row->panel] ?? null;
            $amount = $row->values['change'] ?? ($row->values['to'] ?? null);

            return self::with(
                $row,
                self::OF_TOTAL,
                null === $total || null === $amount ? null : ExactNumber::percentOf($amount, $total),
            );
        }, $rows);
    }

    private static function maybeChange(Row $row): ?BigDecimal
    {
        return null === $row->parent && !$row->role->isWhole() ? $row->values['change'] ?? null : null;
    }

    private static function with(Row $row, string $key, ?Fraction $share): Row
    {
        return With::of($row, ['values' => [...$row->values, $key => (new Rounding())->of($share)]]);
    }
}
