<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Arithmetic\Variance;

/** Writes workings as the JSON document of the recipe format: amounts as decimal strings, missing as null. */
final class WorkingsWriter
{
    /**
     * @param RowWriter $rows of the kind
     *
     * @return array<string, mixed>
     */
    public static function toArray(Workings $workings, RowWriter $rows): array
    {
        [$table, $context] = [$workings->table, $workings->context];

        return [
            'kind' => $context->kind,
            'measure' => $context->subject,
            'unit' => $context->measure()->unit,
            'better' => $context->better->value,
            'closedThrough' => $context->closing->key(),
            'rows' => array_map(static fn (Row $row): array => self::row($row, $rows), $table->rows),
            'total' => self::total($table->total),
            'toDate' => null === $table->toDate ? null : self::total($table->toDate),
            'landing' => null === $table->landing ? null : self::total($table->landing),
            ...$rows->besides($workings),
            'checks' => array_map(static fn (Check $check): array => $check->toArray(), $workings->checks),
            'reading' => $workings->summary->texts(),
        ];
    }

    public static function amount(?BigDecimal $amount): ?string
    {
        return $amount?->toString();
    }

    /**
     * A side without a figure is `absent`, and which periods are compared is told where the row has others.
     *
     * @param array<string, ?Variance> $variances by the key of their reference
     * @param ?Row $row whose variances they are; null: a total's
     *
     * @return array<string, ?array<string, string|bool|null>>|\stdClass
     */
    public static function variances(array $variances, ?Row $row = null): array|\stdClass
    {
        $written = [];
        foreach ($variances as $reference => $variance) {
            $only = $row?->comparesOnly($reference);
            $written[$reference] =
                null === $variance
                    ? null
                    : [
                        'amount' => $variance->amount->toString(),
                        'percent' => $variance->percent()?->toString(),
                        'effect' => $variance->effect->value,
                        'flagged' => $variance->flagged,
                        ...null === $variance->absent ? [] : ['absent' => $variance->absent->value],
                        ...null === $only ? [] : ['only' => $only],
                    ];
        }

        return [] === $written ? new \stdClass() : $written;
    }

    /** @return array<string, mixed> */
    private static function row(Row $row, RowWriter $rows): array
    {
        return [
            'key' => $row->key->id,
            'label' => $row->label,
            'role' => $row->role->value,
            ...'' === $row->panel ? [] : ['panel' => $row->panel],
            ...$row->isAbsent() ? ['absent' => true] : [],
            ...$rows->numbers($row),
        ];
    }

    /** @return array<string, mixed> */
    private static function total(Total $total): array
    {
        $leftOut = array_filter($total->leftOut, static fn (LeftOut $one): bool => !$one->isEmpty());
        $keys = static fn (LeftOut $one): array => array_map(
            static fn (Period $period): string => $period->key(),
            $one->all(),
        );

        return [
            'shown' => self::amount($total->shown),
            'variance' => self::variances($total->variances),
            'leftOut' => [] === $leftOut ? null : array_map($keys, $leftOut),
        ];
    }
}
