<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** Rounds lengths to a hundredth of a point, so that the same scene gives the same bytes. */
final class Plain
{
    /** @return array<string, mixed> */
    public static function mark(string $type, Mark $mark): array
    {
        $plain = ['type' => $type];
        foreach (get_object_vars($mark) as $name => $value) {
            if (null !== $value && '' !== $value && !\is_object($value)) {
                $plain[$name] = match (true) {
                    \is_float($value) => self::round($value),
                    \is_array($value) => array_map(self::point(...), $value),
                    default => $value,
                };
            }
        }

        return $plain;
    }

    public static function round(float $length): float
    {
        $rounded = round($length, 2);

        return 0.0 === $rounded ? 0.0 : $rounded;
    }

    /** @return array{float, float} */
    private static function point(mixed $point): array
    {
        \assert(\is_array($point) && \is_float($point[0]) && \is_float($point[1]));

        return [self::round($point[0]), self::round($point[1])];
    }
}
