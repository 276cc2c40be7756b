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
            $mark instanceof Rect => new Box($mark->x, $mark->y, $mark->x + $mark->width, $mark->y + $mark->height),
            $mark instanceof Circle => new Box(
                $mark->x - $mark->radius,
                $mark->y - $mark->radius,
                $mark->x + $mark->radius,
                $mark->y + $mark->radius,
            ),
            $mark instanceof Line => new Box(
                min($mark->x1, $mark->x2) - self::AROUND_LINE,
                min($mark->y1, $mark->y2) - self::AROUND_LINE,
                max($mark->x1, $mark->x2) + self::AROUND_LINE,
                max($mark->y1, $mark->y2) + self::AROUND_LINE,
            ),
            $mark instanceof Path => self::around($mark->points),
            $mark instanceof Arc => self::around($mark->points()),
            $mark instanceof Text => $mark->box(),
            default => throw new \InvalidArgumentException('A mark of class '.$mark::class.' has no place.'),
        };
    }

    /** @param non-empty-list<array{float, float}> $points */
    private static function around(array $points): Box
    {
        [$x, $y] = [array_column($points, 0), array_column($points, 1)];

        return new Box(min($x), min($y), max($x), max($y));
    }
}
