<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Scene\Rect;

/** Two slanted lines with paper between them, across a bar that a piece is cut out of. */
final class BreakMark
{
    /** @param float $along where along the bar; bars that the same piece is cut out of have it at the same place */
    public static function draw(Stage $stage, Rect $bar, string $key, float $along): void
    {
        [$low, $high] = Orientation::Vertical === $stage->orientation
            ? [$bar->x - 2.0, $bar->x + $bar->width + 2.0]
            : [$bar->y - 2.0, $bar->y + $bar->height + 2.0];
        $stage->canvas->addBehind(
            'breaks',
            $stage->orientation->path(
                points: [[$low, $along + 4.0], [$high, $along], [$high, $along - 4.0], [$low, $along]],
                fill: Ink::Paper,
                stroke: null,
                thickness: 1.0,
                role: 'break',
                key: $key,
            ),
        );
        foreach ([0.0, 4.0] as $shift) {
            $stage->canvas->addBehind(
                'breaks',
                $stage->orientation->line(
                    across1: $low,
                    along1: $along + $shift,
                    across2: $high,
                    along2: $along + $shift - 4.0,
                    ink: Ink::Ink,
                    thickness: 1.0,
                    dash: null,
                    role: 'break',
                    key: $key,
                ),
            );
        }
    }
}
