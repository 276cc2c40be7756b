<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

/** A round mark as a polygon of so many corners that nobody sees them. */
final class Dot
{
    private const CORNERS = 12;

    /** @return non-empty-list<array{float, float}> */
    public static function points(float $x, float $y, float $radius): array
    {
        $points = [];
        for ($i = 0; $i < self::CORNERS; ++$i) {
            $points[] = [$x + $radius * cos(2 * \M_PI * $i / self::CORNERS), $y + $radius * sin(2 * \M_PI * $i / self::CORNERS)];
        }

        return $points;
    }
}
