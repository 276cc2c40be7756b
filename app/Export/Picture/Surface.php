<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Scene\Text;

/** What a scene can be drawn on; all lengths in points from the top left. */
interface Surface
{
    /**
     * @param non-empty-list<array{float, float}> $points
     * @param bool $isClosed whether the last is joined with the first
     */
    public function shape(array $points, ?Ink $fill, ?Ink $stroke, float $thickness, bool $isClosed): void;

    /** @param list<float> $dash */
    public function line(float $x1, float $y1, float $x2, float $y2, Ink $stroke, float $thickness, array $dash): void;

    public function circle(float $x, float $y, float $radius, Ink $fill, ?Ink $stroke, float $thickness): void;

    public function text(Text $text, Ink $ink): void;
}
