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
    /** @return array<string, mixed> */
    public static function toArray(Workings $workings): array
    {
        return [
            'kind' => $workings->kind,
            'measure' => $workings->subject,
            'unit' => $workings->measure->unit,
            'better' => $workings->better->value,
            'closedThrough' => $workings->closing->key(),
            'rows' => array_map(static fn (Row $row): array => self::row($row, $workings->kind), $workings->rows),
            'total' => self::total($workings->total),
            'toDate' => null === $workings->toDate ? null : self::total($workings->toDate),
            'landing' => null === $workings->landing ? null : self::total($workings->landing),
            'checks' => array_map(static fn (Check $check): array => $check->toArray(), $workings->checks),
            'reading' => $workings->reading->texts(),
        ];
    }

    /** @return array<string, mixed> */
    private static function row(Row $row, string $kind): array
    {
        $change = $row->variances['first'] ?? null;
        $numbers = match ($kind) {
            'hat' => [
                ...array_map(self::amount(...), $row->values),
                'change' => self::amount($change?->amount),
                'percent' => self::amount($change?->percent()),
                'effect' => $change?->effect->value,
                'flagged' => $change->flagged ?? false,
            ],
            'capacity-fill' => [
                ...array_map(
                    self::amount(...),
                    array_diff_key($row->values, ['targetUsed' => 1, 'targetWhole' => 1]),
                ),
                'extreme' => $row->extreme?->value,
                'variance' => self::variances($row->variances, $row),
            ],
            default => [
                'values' => array_map(self::amount(...), $row->values),
                'shown' => self::amount($row->shown),
                'shownScenario' => $row->shownScenario?->value,
                'variance' => self::variances($row->variances, $row),
            ],
        };

        return [
            'key' => $row->key,
            'label' => $row->label,
            'role' => $row->role->value,
            ...'' === $row->panel ? [] : ['panel' => $row->panel],
            ...$row->isAbsent() ? ['absent' => true] : [],
            ...$numbers,
            ...self::only($row, $kind),
        ];
    }

    /** @return array{only?: string} of a hat, whose change stands in the row itself */
    private static function only(Row $row, string $kind): array
    {
        $only = 'hat' === $kind ? $row->comparesOnly('first') : null;

        return null === $only ? [] : ['only' => $only];
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

    /**
     * A side without a figure is `absent`, and which periods are compared is told where the row has others.
     *
     * @param array<string, ?Variance> $variances
     *
     * @return array<string, ?array<string, string|bool|null>>|\stdClass
     */
    private static function variances(array $variances, ?Row $row = null): array|\stdClass
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

    private static function amount(?BigDecimal $amount): ?string
    {
        return $amount?->toString();
    }
}
