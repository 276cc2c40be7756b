<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Check;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Workings;

/** Measures the drawn columns and bars against their numbers: one length per unit for all of them. */
final class ScaleCheck
{
    /** Drawn lengths may differ from true ones by this many points. */
    private const TOLERANCE = 0.02;

    public static function of(Scene $scene, Workings $workings): Check
    {
        $lengths = self::lengths($scene, $workings);
        $sizes = array_column($lengths, 0);
        $longest = [] === $sizes ? 0.0 : max($sizes);
        $perUnit = 0.0;
        foreach ($lengths as [$size, $length]) {
            $perUnit = $size === $longest && $size > 0.0 ? $length / $size : $perUnit;
        }
        foreach ($lengths as [$size, $length]) {
            if (abs($length - $size * $perUnit) > self::TOLERANCE) {
                return new Check('one-scale', false, 'A column or bar is not drawn to the common scale');
            }
        }

        return new Check('one-scale', true, 'One scale for all scenarios');
    }

    /** @return list<array{float, float}> size of the amount and length of its mark */
    private static function lengths(Scene $scene, Workings $workings): array
    {
        $rows = [];
        foreach ($workings->rows as $row) {
            $rows[$row->key] = $row;
        }
        $lengths = [];
        foreach ($scene->marks() as $mark) {
            if ($mark instanceof Rect && \in_array($mark->role, ['value', 'reference', 'variance'], true)) {
                $amount = self::amount($rows[$mark->key], (string) $mark->of, $workings);
                $lengths[] = [abs($amount?->toFloat() ?? 0.0), $mark->height];
            }
        }

        return $lengths;
    }

    private static function amount(Row $row, string $of, Workings $workings): ?BigDecimal
    {
        return match ($of) {
            'shown' => $row->shown,
            'variance' => ($row->variances[$workings->reference()->value ?? ''] ?? null)?->amount,
            default => $row->values[$of] ?? null,
        };
    }
}
