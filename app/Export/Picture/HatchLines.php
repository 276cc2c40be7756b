<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Notation\Hatch;

/** The lines of a hatch within a box, on the same grid as the pattern of pictures. */
final class HatchLines
{
    /** @return list<array{float, float, float, float}> from the lower left to the upper right */
    public static function within(float $left, float $top, float $right, float $bottom): array
    {
        $lines = [];
        for (
            $sum = Hatch::SIZE * floor(($left + $top) / Hatch::SIZE);
            $sum <= $right + $bottom + Hatch::SIZE;
            $sum += Hatch::SIZE
        ) {
            $lines[] = [$sum - $bottom - 2.0, $bottom + 2.0, $sum - $top + 2.0, $top - 2.0];
        }

        return $lines;
    }
}
