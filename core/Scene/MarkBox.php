<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** Where a mark is, in points of its scene. */
final class MarkBox
{
    /** A line has half a point around it. */
    private const AROUND_LINE = 0.5;

    /** @throws \InvalidArgumentException of a group without marks, and of marks that are not known */
    public static function of(Mark $mark): Box
    {
        return match (true) {
            $mark instanceof Arc => self::of($mark->path()),
            $mark instanceof Rect => new Box($mark->x, $mark->y, $mark->x + $mark->width, $mark->y + $mark->height),
            $mark instanceof Circle => new Box(
                $mark->x - $mark->radius, $mark->y - $mark->radius, $mark->x + $mark->radius, $mark->y + $mark->radius,
            ),
            $mark instanceof Line => new Box(
                min($mark->x1, $mark->x2) - self::AROUND_LINE,
                min($mark->y1, $mark->y2) - self::AROUND_LINE,
                max($mark->x1, $mark->x2) + self::AROUND_LINE,
                max($mark->y1, $mark->y2) + self::AROUND_LINE,
            ),
            $mark instanceof Path => new Box(
                min(array_column($mark->points, 0)),
                min(array_column($mark->points, 1)),
                max(array_column($mark->points, 0)),
                max(array_column($mark->points, 1)),
            ),
            $mark instanceof Text => $mark->box(),
            default => throw new \InvalidArgumentException('A mark of class '.$mark::class.' has no place.'),
        };
    }
}
