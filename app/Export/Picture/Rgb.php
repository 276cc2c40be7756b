<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

final class Rgb
{
    /** @return array{int<0, 255>, int<0, 255>, int<0, 255>} of `#rrggbb` */
    public static function of(string $colour): array
    {
        return [self::part($colour, 1), self::part($colour, 3), self::part($colour, 5)];
    }

    /** @return int<0, 255> */
    private static function part(string $colour, int $at): int
    {
        return max(0, min(255, (int) hexdec(substr($colour, $at, 2))));
    }
}
