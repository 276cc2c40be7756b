<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Canvas;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Text;

/**
 * How bands and lengths lie: columns stand beside one another and grow upwards, bars lie below one another and grow to
 * the right.
 * What is drawn says where it is across (along the bands) and along (in the direction of lengths); here this becomes x
 * and y.
 */
enum Orientation
{
    case Vertical;
    case Horizontal;

    /** +1 where larger amounts have larger coordinates */
    public function sign(): float
    {
        return self::Vertical === $this ? -1.0 : 1.0;
    }

    /** @return array{float, float} x and y */
    public function point(float $across, float $along): array
    {
        return self::Vertical === $this ? [$across, $along] : [$along, $across];
    }

    /** A bar of a thickness around its centre, from one place along to another. */
    public function bar(
        float $centre,
        float $thickness,
        float $from,
        float $to,
        Style $style,
        string $role,
        ?string $key = null,
        ?string $of = null,
        ?Measures $measures = null,
    ): Rect {
        [$low, $length] = [min($from, $to), abs($to - $from)];

        return self::Vertical === $this
            ? new Rect(
                x: $centre - $thickness / 2,
                y: $low,
                width: $thickness,
                height: $length,
                fill: $style->fill->value,
                stroke: $style->stroke?->value,
                role: $role,
                key: $key,
                of: $of,
                measures: $measures,
            )
            : new Rect(
                x: $low,
                y: $centre - $thickness / 2,
                width: $length,
                height: $thickness,
                fill: $style->fill->value,
                stroke: $style->stroke?->value,
                role: $role,
                key: $key,
                of: $of,
                measures: $measures?->horizontally(),
            );
    }

    /** Across the bands, at one place along. */
    public function tick(
        float $from,
        float $to,
        float $along,
        Ink $ink,
        float $thickness,
        string $role,
        ?string $key = null,
        ?string $of = null,
    ): Line {
        return $this->line(
            across1: $from,
            along1: $along,
            across2: $to,
            along2: $along,
            ink: $ink,
            thickness: $thickness,
            dash: null,
            role: $role,
            key: $key,
            of: $of,
        );
    }

    public function line(
        float $across1,
        float $along1,
        float $across2,
        float $along2,
        Ink $ink,
        float $thickness,
        ?string $dash,
        string $role,
        ?string $key = null,
        ?string $of = null,
        ?Measures $measures = null,
    ): Line {
        [[$x1, $y1], [$x2, $y2]] = [$this->point($across1, $along1), $this->point($across2, $along2)];

        return new Line(
            x1: $x1,
            y1: $y1,
            x2: $x2,
            y2: $y2,
            stroke: $ink->value,
            thickness: $thickness,
            dash: $dash,
            role: $role,
            key: $key,
            of: $of,
            measures: self::Vertical === $this ? $measures : $measures?->horizontally(),
        );
    }

    /** @param non-empty-list<array{float, float}> $points across and along */
    public function path(
        array $points,
        ?Ink $fill,
        ?Ink $stroke,
        float $thickness,
        string $role,
        ?string $key = null,
        ?string $of = null,
    ): Path {
        return new Path(
            points: array_map(fn (array $point): array => $this->point(...$point), $points),
            fill: $fill?->value,
            stroke: $stroke?->value,
            thickness: $thickness,
            role: $role,
            key: $key,
            of: $of,
        );
    }

    /**
     * A text beyond a place along: above or below it, or to its right or left.
     *
     * @param bool $isAbove on the side of larger amounts
     * @param 400|600 $weight
     */
    public function label(
        float $across,
        float $along,
        bool $isAbove,
        string $text,
        Ink $ink,
        int $weight,
        string $role,
        ?string $key,
        ?string $of,
        float $size = Type::LABEL,
    ): Text {
        return self::Vertical === $this
            ? Canvas::text(
                x: $across,
                y: $along + ($isAbove ? -5.0 : 12.5),
                text: $text,
                anchor: 'middle',
                ink: $ink,
                size: $size,
                weight: $weight,
                role: $role,
                key: $key,
                of: $of,
            )
            : Canvas::text(
                x: $along + ($isAbove ? 5.0 : -5.0),
                y: $across + 4.0,
                text: $text,
                anchor: $isAbove ? 'start' : 'end',
                ink: $ink,
                size: $size,
                weight: $weight,
                role: $role,
                key: $key,
                of: $of,
            );
    }
}
