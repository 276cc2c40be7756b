<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\WorkingsTable;

/**
 * Measures the finished scene against its numbers: one length per unit for all that is counted in it, in all of its
 * charts.
 */
final class ScaleCheck
{
    /** Drawn lengths may differ from true ones by this many points. */
    private const TOLERANCE = 0.02;

    /**
     * @param string $says what holds, where it does
     *
     * @return ?Check null where no mark is measured: lengths are of scales of their own, or there are no numbers
     */
    public static function maybe(Scene $scene, WorkingsTable $table, string $says): ?Check
    {
        $measured = self::lengths($scene, $table);
        if ([] === $measured) {
            return null;
        }
        foreach ($measured as $lengths) {
            $perUnit = self::longest($lengths);
            foreach ($lengths as $length) {
                if (abs($length->points - $length->size * $perUnit) > self::TOLERANCE) {
                    return new Check('one-scale', false, 'A column or bar is not drawn to the common scale');
                }
            }
        }

        return new Check('one-scale', true, $says);
    }

    /** @return array<string, float> points per unit of the longest mark, by scale */
    public static function perUnit(Scene $scene, WorkingsTable $table): array
    {
        return array_filter(
            array_map(self::longest(...), self::lengths($scene, $table)),
            static fn (float $perUnit): bool => $perUnit > 0.0,
        );
    }

    /**
     * Points per unit of the longest mark; nought where all are of nought.
     *
     * @param non-empty-list<DrawnLength> $lengths
     */
    private static function longest(array $lengths): float
    {
        $longest = $lengths[0];
        foreach ($lengths as $length) {
            $longest = $length->size > $longest->size ? $length : $longest;
        }

        return $longest->size > 0.0 ? $longest->points / $longest->size : 0.0;
    }

    /** @return array<string, non-empty-list<DrawnLength>> by scale */
    private static function lengths(Scene $scene, WorkingsTable $table): array
    {
        $rows = $table->rowsByKey();
        $lengths = $cut = [];
        foreach ($scene->marks() as $mark) {
            $isMeasured =
                ($mark instanceof Rect || $mark instanceof Line || $mark instanceof Arc) && null !== $mark->measures;
            $row = $isMeasured ? $rows[$mark->key ?? ''] ?? null : null;
            if (!$isMeasured || null === $row) {
                continue;
            }
            $length = new DrawnLength(
                self::size($row, $mark->measures->column), self::points($mark, $mark->measures->isHorizontal),
            );
            if ($mark->measures->isCut) {
                $cut[] = $length;
            } else {
                $lengths[$mark->measures->scale->value][] = $length;
            }
        }
        // Of what is cut, the differences are drawn.
        foreach (\array_slice($cut, 1) as $length) {
            $lengths[Scale::Amount->value][] = $length->minus($cut[0]);
        }

        return $lengths;
    }

    /** In points; of a ring in degrees. */
    private static function points(Rect|Line|Arc $mark, bool $isHorizontal): float
    {
        return match (true) {
            $mark instanceof Arc => $mark->to - $mark->from,
            $mark instanceof Line => $isHorizontal ? abs($mark->x2 - $mark->x1) : abs($mark->y2 - $mark->y1),
            default => $isHorizontal ? $mark->width : $mark->height,
        };
    }

    /** The size of a number of a row; a percentage before it is rounded. */
    private static function size(Row $row, string $column): float
    {
        $reference = str_starts_with($column, 'percent:') ? substr($column, \strlen('percent:')) : null;
        $variance = null === $reference ? null : $row->variances[$reference] ?? null;
        if (null !== $variance && !$variance->reference->isZero()) {
            return abs((100.0 * $variance->amount->toFloat()) / $variance->reference->toFloat());
        }

        return abs($row->number($column)?->toFloat() ?? 0.0);
    }
}
