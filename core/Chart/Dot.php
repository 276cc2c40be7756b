<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

/** A round mark as a polygon of so many corners that nobody sees them. */
final class Dot
{
    private const CORNERS = 14;

    /** @return non-empty-list<array{float, float}> */
    public static function points(float $x, float $y, float $radius): array
    {
        return array_map(static fn (int $i): array => [$x + $radius * cos(2 * \M_PI * $i / self::CORNERS), $y + $radius * sin(2 * \M_PI * $i / self::CORNERS)], range(0, self::CORNERS - 1));
    }
}
