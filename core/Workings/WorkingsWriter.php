<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;

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
            'hat' => [...array_map(self::amount(...), $row->values), 'change' => self::amount($change?->amount), 'percent' => self::amount($change?->percent()), 'effect' => $change?->effect->value, 'flagged' => $change->flagged ?? false],
            'capacity-fill' => [...array_map(self::amount(...), array_diff_key($row->values, ['targetUsed' => 1, 'targetWhole' => 1])), 'extreme' => $row->extreme?->value, 'variance' => self::variances($row->variances)],
            default => ['values' => array_map(self::amount(...), $row->values), 'shown' => self::amount($row->shown), 'shownScenario' => $row->shownScenario?->value, 'variance' => self::variances($row->variances)],
        };

        return ['key' => $row->key, 'label' => $row->label, 'role' => $row->role->value, ...('' === $row->panel ? [] : ['panel' => $row->panel]), ...$numbers];
    }

    /** @return array<string, mixed> */
    private static function total(Total $total): array
    {
        return [
            'shown' => self::amount($total->shown),
            'variance' => self::variances($total->variances),
            'leftOut' => array_map(static fn (array $periods): array => array_map(static fn ($period): string => $period->key(), $periods), array_filter($total->leftOut)) ?: null,
        ];
    }

    /**
     * @param array<string, ?Variance> $variances
     *
     * @return array<string, ?array{amount: string, percent: ?string, effect: string, flagged: bool}>|\stdClass
     */
    private static function variances(array $variances): array|\stdClass
    {
        $written = array_map(static fn (?Variance $variance): ?array => null === $variance ? null : [
            'amount' => $variance->amount->toString(),
            'percent' => $variance->percent()?->toString(),
            'effect' => $variance->effect->value,
            'flagged' => $variance->flagged,
        ], $variances);

        return [] === $written ? new \stdClass() : $written;
    }

    private static function amount(?BigDecimal $amount): ?string
    {
        return $amount?->toString();
    }
}
