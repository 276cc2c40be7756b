<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

/** The paper of a report. Pages are laid out in points of their charts, and printed at the paper's own size. */
enum Sheet: string
{
    case Wide = '16:9';
    case Across = 'A4 across';
    case Upright = 'A4 upright';

    /** In points of a chart, in which text has its natural size. */
    public function width(): float
    {
        return self::Upright === $this ? 679.0 : 960.0;
    }

    public function height(): float
    {
        return match ($this) {
            self::Wide => 540.0,
            self::Across => 679.0,
            self::Upright => 960.0,
        };
    }

    /** Points of paper (72 to the inch) for a point of a chart: A4 is 842 points long. */
    public function printed(): float
    {
        return self::Wide === $this ? 1.0 : 842.0 / 960.0;
    }

    /** Width of the margin with the notes, left of the rule. */
    public function margin(): float
    {
        return self::Upright === $this ? 128.0 : 164.0;
    }
}
