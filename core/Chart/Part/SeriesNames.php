<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\TextMeasure;

/**
 * Names the series beside the first column or above the first bar, each with its own mark, so that no legend is needed.
 */
final class SeriesNames
{
    private const LINE = 16.0;

    /**
     * @param list<SeriesKey> $keys
     * @param float $right where the names end; $top and $bottom bound them
     */
    public static function beside(Canvas $canvas, array $keys, float $right, float $top, float $bottom): void
    {
        $height = self::LINE * \count($keys);
        $y = max($top + 10.0, min($bottom - 34.0, $bottom) - $height + 12.0);
        foreach ($keys as $key) {
            $key->draw($canvas, $right, $y);
            $canvas->writeIfFree(
                'names',
                Canvas::text(
                    $right - 14.0,
                    $y,
                    $key->name,
                    'end',
                    $key->ink,
                    weight: $key->isStrong ? 600 : 400,
                    role: 'series-name',
                ),
            );
            $y += self::LINE;
        }
    }

    /** @param list<SeriesKey> $keys in one line; what has no room is left out */
    public static function above(Canvas $canvas, array $keys, float $left, float $right, float $y): void
    {
        foreach (array_reverse($keys) as $key) {
            $width = 12.0 + TextMeasure::width($key->name, Type::LABEL, $key->isStrong ? 600 : 400);
            if ($left + $width > $right) {
                return;
            }
            $key->draw($canvas, $left + 9.0, $y);
            $canvas->writeIfFree(
                'names',
                Canvas::text(
                    $left + 12.0,
                    $y,
                    $key->name,
                    'start',
                    $key->ink,
                    weight: $key->isStrong ? 600 : 400,
                    role: 'series-name',
                ),
            );
            $left += $width + 12.0;
        }
    }

    /** @param list<SeriesKey> $keys */
    public static function height(array $keys): float
    {
        return self::LINE * \count($keys) + 6.0;
    }
}
