<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Scene\Text;

/** Hands the marks of a scene to a canvas, from back to front, each with its colours. */
final class ScenePainter
{
    public static function paint(Scene $scene, Surface $canvas): void
    {
        $fill = static fn (?string $name): ?Ink => null === $name ? null : Ink::of($name);
        foreach ($scene->marks() as $mark) {
            $mark = $mark instanceof Arc ? $mark->path() : $mark;
            match (true) {
                $mark instanceof Rect => $canvas->shape(
                    [
                        [$mark->x, $mark->y],
                        [$mark->x + $mark->width, $mark->y],
                        [$mark->x + $mark->width, $mark->y + $mark->height],
                        [$mark->x, $mark->y + $mark->height],
                    ],
                    $fill($mark->fill),
                    $fill($mark->stroke),
                    1.0,
                    true,
                ),
                $mark instanceof Path => $canvas->shape(
                    $mark->points, $fill($mark->fill), $fill($mark->stroke), $mark->thickness, null !== $mark->fill,
                ),
                $mark instanceof Line => $canvas->line(
                    x1: $mark->x1,
                    y1: $mark->y1,
                    x2: $mark->x2,
                    y2: $mark->y2,
                    stroke: Ink::of($mark->stroke),
                    thickness: $mark->thickness,
                    dash: self::dash($mark->dash),
                ),
                $mark instanceof Circle => $canvas->circle(
                    x: $mark->x,
                    y: $mark->y,
                    radius: $mark->radius,
                    fill: Ink::of($mark->fill),
                    stroke: $fill($mark->stroke),
                    thickness: $mark->thickness,
                ),
                $mark instanceof Text => $canvas->text($mark, Ink::of($mark->fill)),
                default => self::refuse($mark),
            };
        }
    }

    private static function refuse(Mark $mark): never
    {
        throw new \InvalidArgumentException('A mark of class '.$mark::class.' cannot be drawn.');
    }

    /** @return list<float> lengths of strokes and gaps in turn; none of a whole line */
    private static function dash(?string $dash): array
    {
        return null === $dash ? [] : array_map(floatval(...), preg_split('/[\s,]+/', trim($dash)) ?: []);
    }
}
