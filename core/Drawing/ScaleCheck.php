<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Measures the finished scene against its numbers: one length per unit for all that is counted in it, in all of its
 * charts.
 */
final class ScaleCheck
{
    /** Drawn lengths may differ from true ones by this many points. */
    private const TOLERANCE = 0.02;
    /** What marks measure, by their roles. */
    private const UNITS = [
        'value' => 'amount',
        'reference' => 'amount',
        'variance' => 'amount',
        'gap' => 'amount',
        'change' => 'amount',
        'used' => 'amount',
        'whole' => 'amount',
        'pin' => 'percent',
        'rate-gap' => 'points',
    ];

    /** @param bool $sameLength whether variances are as long per unit as the values */
    public static function of(Scene $scene, Workings $workings, bool $sameLength = true): Check
    {
        foreach (self::lengths($scene, $workings, $sameLength) as $lengths) {
            $sizes = array_column($lengths, 0);
            $longest = max($sizes);
            $perUnit = $longest > 0.0 ? $lengths[(int) array_search($longest, $sizes, true)][1] / $longest : 0.0;
            foreach ($lengths as [$size, $length]) {
                if (abs($length - $size * $perUnit) > self::TOLERANCE) {
                    return new Check('one-scale', false, 'A column or bar is not drawn to the common scale');
                }
            }
        }

        return new Check(
            'one-scale',
            true,
            'capacity-fill' === $workings->kind
                ? 'One scale for used and total'
                : ('hat' === $workings->kind
                    ? 'One scale for both'
                    : 'One scale for all scenarios'),
        );
    }

    /** @return array<string, float> points per unit of the longest mark, by what is measured */
    public static function perUnit(Scene $scene, Workings $workings, bool $sameLength): array
    {
        $perUnit = [];
        foreach (self::lengths($scene, $workings, $sameLength) as $what => $lengths) {
            $sizes = array_column($lengths, 0);
            $longest = max($sizes);
            if ($longest > 0.0) {
                $perUnit[$what] = $lengths[(int) array_search($longest, $sizes, true)][1] / $longest;
            }
        }

        return $perUnit;
    }

    /**
     * @return array<string, non-empty-list<array{float, float}>> sizes of amounts and lengths of their marks, by what
     *                                                            they measure
     */
    private static function lengths(Scene $scene, Workings $workings, bool $sameLength): array
    {
        $rows = array_column($workings->rows, null, 'key');
        $lengths = [];
        $cut = [];
        foreach ($scene->marks() as $mark) {
            if (!($mark instanceof Rect) && !($mark instanceof Line)) {
                continue;
            }
            $unit = self::UNITS[$mark->role] ?? null;
            $row = $rows[$mark->key ?? ''] ?? null;
            if (null !== $unit && null !== $row) {
                $unit = 'variance' === $mark->role && !$sameLength ? 'variance' : $unit;
                $lengths[$unit][] = [
                    self::size($row, (string) $mark->of, $workings),
                    self::length($mark, $scene->isLying),
                ];
            } elseif (null !== $row && str_ends_with($mark->role, '-cut')) {
                $cut[] = [self::size($row, (string) $mark->of, $workings), self::length($mark, $scene->isLying)];
            }
        }
        // Of what is cut, the differences are drawn.
        foreach (\array_slice($cut, 1) as [$size, $length]) {
            $lengths['amount'][] = [abs($size - $cut[0][0]), abs($length - $cut[0][1])];
        }

        return $lengths;
    }

    private static function length(Rect|Line $mark, bool $isLying): float
    {
        return match (true) {
            $mark instanceof Line => $isLying ? abs($mark->x2 - $mark->x1) : abs($mark->y2 - $mark->y1),
            default => $isLying ? $mark->width : $mark->height,
        };
    }

    private static function size(Row $row, string $of, Workings $workings): float
    {
        $variance = $row->variance($workings->reference());
        $amount = match ($of) {
            'shown' => $row->shown,
            'variance' => 'capacity-fill' === $workings->kind
                ? ($row->variances['target'] ?? null)?->amount
                : $variance?->amount,
            'change' => ($row->variances['first'] ?? null)?->amount,
            'rateTarget' => ($row->variances['rateTarget'] ?? null)?->amount,
            'percent' => null,
            default => $row->values[$of] ?? null,
        };
        if ('percent' === $of && null !== $variance && !$variance->reference->isZero()) {
            return abs((100.0 * $variance->amount->toFloat()) / $variance->reference->toFloat());
        }

        return abs(($amount ?? BigDecimal::zero())->toFloat());
    }
}
