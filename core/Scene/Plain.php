<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** Marks as plain data: lengths to a hundredth of a point, so that the same scene gives the same bytes. */
final class Plain
{
    /** @return array<string, mixed> */
    public static function mark(string $type, Mark $mark): array
    {
        $plain = ['type' => $type];
        foreach (get_object_vars($mark) as $name => $value) {
            if (null !== $value && '' !== $value) {
                $plain[$name] = match (true) {
                    \is_float($value) => self::round($value),
                    \is_array($value) => array_map(static fn (array $point): array => [self::round($point[0]), self::round($point[1])], $value),
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
}
