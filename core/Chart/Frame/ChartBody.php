<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;

/** What a kind draws between the title and the words below, and how high that is without drawing it. */
interface ChartBody
{
    /**
     * Puts the marks below a height.
     *
     * @return float the lowest y that was used
     */
    public function draw(Canvas $canvas, float $top, Stretch $stretch): float;

    /** How far below its top draw() reaches, in points. */
    public function height(Stretch $stretch): float;

    /** Whether lengths of numbers grow with the height; else only the bands that they stand on. */
    public function hasUprightLengths(): bool;
}
