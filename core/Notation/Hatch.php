<?php

declare(strict_types=1);

namespace KeenMargin\Core\Notation;

/** The diagonal hatch of forecasts: lines of one colour on white, repeated over a square. */
final class Hatch
{
    public const SIZE = 5.0;
    public const THICKNESS = 1.9;

    /** In the square's own coordinates; the corners continue the neighbours' lines. */
    public const PATH = 'M-1 1L1 -1M0 5L5 0M4 6L6 4';
}
