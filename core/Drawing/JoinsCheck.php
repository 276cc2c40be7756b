<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Check;

/** Measures in the finished scene whether each connector ends at an end of both marks that it ties. */
final class JoinsCheck
{
    private const TOLERANCE = 0.02;

    /** Null where the scene has no connectors. */
    public static function maybe(Scene $scene): ?Check
    {
        $ends = [];
        $connectors = [];
        foreach ($scene->marks() as $mark) {
            if ($mark instanceof Rect && null !== $mark->measures && null !== $mark->key) {
                $ends[$mark->key] = [
                    ...$ends[$mark->key] ?? [],
                    ...$mark->measures->isHorizontal
                        ? [$mark->x, $mark->x + $mark->width]
                        : [$mark->y, $mark->y + $mark->height],
                ];
            }
            if ($mark instanceof Line && 'connector' === $mark->role) {
                $connectors[] = $mark;
            }
        }
        foreach ($connectors as $line) {
            $isUpright = abs($line->x1 - $line->x2) < abs($line->y1 - $line->y2);
            $along = $isUpright ? $line->x1 : $line->y1;
            foreach ([$line->key, $line->of] as $key) {
                $isTied = array_filter(
                    $ends[$key ?? ''] ?? [],
                    static fn (float $end): bool => abs($end - $along) <= self::TOLERANCE,
                );
                if ([] === $isTied) {
                    return new Check('connectors-join', false, 'A connector does not end at the marks that it ties');
                }
            }
        }

        return [] === $connectors ? null : new Check('connectors-join', true, 'Connectors join equal heights');
    }
}
