<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

use KeenMargin\Core\Document\With;

/** Puts marks somewhere else, larger or smaller: `x` becomes `left + scale × x`. */
final readonly class Placing
{
    public function __construct(private float $left, private float $top, private float $scale = 1.0) {}

    public function mark(Mark $mark): Mark
    {
        return match (true) {
            $mark instanceof Group => new Group(array_map($this->mark(...), $mark->marks), $mark->role, $mark->key),
            $mark instanceof Line => With::of($mark, [
                'x1' => $this->x($mark->x1),
                'y1' => $this->y($mark->y1),
                'x2' => $this->x($mark->x2),
                'y2' => $this->y($mark->y2),
                'thickness' => $this->scale * $mark->thickness,
            ]),
            $mark instanceof Rect => With::of($mark, [
                'x' => $this->x($mark->x),
                'y' => $this->y($mark->y),
                'width' => $this->scale * $mark->width,
                'height' => $this->scale * $mark->height,
            ]),
            $mark instanceof Circle => With::of($mark, [
                'x' => $this->x($mark->x),
                'y' => $this->y($mark->y),
                'radius' => $this->scale * $mark->radius,
                'thickness' => $this->scale * $mark->thickness,
            ]),
            $mark instanceof Arc => With::of($mark, [
                'x' => $this->x($mark->x),
                'y' => $this->y($mark->y),
                'inner' => $this->scale * $mark->inner,
                'outer' => $this->scale * $mark->outer,
            ]),
            $mark instanceof Path => With::of($mark, [
                'points' => array_map(
                    fn (array $point): array => [$this->x($point[0]), $this->y($point[1])],
                    $mark->points,
                ),
                'thickness' => $this->scale * $mark->thickness,
            ]),
            $mark instanceof Text => $this->text($mark),
            default => throw new \InvalidArgumentException('A mark of class '.$mark::class.' cannot be placed.'),
        };
    }

    public function text(Text $text): Text
    {
        return With::of($text, [
            'x' => $this->x($text->x),
            'y' => $this->y($text->y),
            'size' => $this->scale * $text->size,
            'width' => $this->scale * $text->width,
        ]);
    }

    /** @return list<Mark> */
    public function marks(Scene $scene): array
    {
        return array_map($this->mark(...), $scene->groups);
    }

    private function x(float $x): float
    {
        return $this->left + $this->scale * $x;
    }

    private function y(float $y): float
    {
        return $this->top + $this->scale * $y;
    }
}
