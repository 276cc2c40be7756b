<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;

/** Puts rows in order: each group keeps what stands in it, gathered rows and sums stay at the end. */
final class RowOrder
{
    /**
     * @param list<Row> $rows of one chart, each group before what stands in it
     * @param array<string, int> $sequence places that the reader gave to keys; others come after them
     *
     * @return list<Row>
     */
    public static function of(array $rows, Order $order, ?Reference $reference, array $sequence = []): array
    {
        $place = static fn (Row $row): int => $sequence[$row->key->name ?? ''] ?? \PHP_INT_MAX;

        return self::by(
            $rows,
            static fn (Row $a, Row $b): int => [] === $sequence
                ? self::compare($a, $b, $order, $reference)
                : $place($a) <=> $place($b),
        );
    }

    /**
     * By a number of each row, such as one of its columns; those without one come last.
     * Numbers are looked up and compared once, not at each comparison of two rows.
     *
     * @param list<Row> $rows of one chart, each group before what stands in it
     * @param \Closure(Row): ?BigDecimal $number
     *
     * @return list<Row>
     */
    public static function byNumber(array $rows, \Closure $number, bool $isLargestFirst): array
    {
        $numbers = [];
        foreach ($rows as $row) {
            $numbers[$row->key->id] = $number($row);
        }
        $known = array_filter($numbers, static fn (?BigDecimal $one): bool => null !== $one);
        $places = array_flip(Decimals::inOrder($known, $isLargestFirst));
        $place = static fn (Row $row): int => $places[$row->key->id] ?? \PHP_INT_MAX;

        return self::by($rows, static fn (Row $a, Row $b): int => $place($a) <=> $place($b));
    }

    /**
     * @param list<Row> $rows
     * @param \Closure(Row, Row): int $compare
     *
     * @return list<Row>
     */
    private static function by(array $rows, \Closure $compare): array
    {
        $last = array_values(
            array_filter($rows, static fn (Row $row): bool => RowRole::Other === $row->role || $row->role->isApart()),
        );
        $first = array_values(
            array_filter($rows, static fn (Row $row): bool => RowRole::Other !== $row->role && !$row->role->isApart()),
        );

        return [...self::level($first, $compare), ...$last];
    }

    /**
     * @param list<Row> $rows
     * @param \Closure(Row, Row): int $compare
     *
     * @return list<Row>
     */
    private static function level(array $rows, \Closure $compare): array
    {
        $heads = $families = [];
        $depth = [] === $rows ? 0 : min(array_map(static fn (Row $row): int => $row->depth, $rows));
        foreach ($rows as $row) {
            if ($row->depth > $depth && [] !== $heads) {
                $families[\count($heads) - 1][] = $row;
            } else {
                $heads[] = $row;
            }
        }
        uasort($heads, $compare);
        $ordered = [];
        foreach ($heads as $i => $head) {
            array_push($ordered, $head, ...isset($families[$i]) ? self::level($families[$i], $compare) : []);
        }

        return $ordered;
    }

    /** What counts as nothing stands where nought does; what is missing comes last. */
    private static function compare(Row $a, Row $b, Order $order, ?Reference $reference): int
    {
        [$one, $other] =
            Order::FavourableFirst === $order
                ? [self::benefit($a, $reference), self::benefit($b, $reference)]
                : [self::size($a), self::size($b)];
        if (null === $one || null === $other) {
            return (null === $one ? 1 : 0) <=> (null === $other ? 1 : 0);
        }

        return match ($order) {
            Order::LargestFirst, Order::FavourableFirst => $other->compareTo($one),
            Order::SmallestFirst => $one->compareTo($other),
            Order::Calendar, Order::Given => 0,
        };
    }

    private static function size(Row $row): ?BigDecimal
    {
        return $row->shown ?? ($row->isAbsent() ? BigDecimal::zero() : null);
    }

    private static function benefit(Row $row, ?Reference $reference): ?BigDecimal
    {
        $variance = $row->variance($reference);

        return Effect::Unfavourable === $variance?->effect
            ? $variance->amount->abs()->negated()
            : $variance?->amount->abs();
    }
}
