<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Path;

/** A small line from its own least to its own most, with its last point marked. */
final class TrendLine
{
    public const POINT = 1.9;
    private const THICKNESS = 1.2;

    /**
     * @param list<?float> $amounts in calendar order; a gap stays a gap
     * @param float $centre of its height
     * @param ?string $key of the row
     *
     * @return list<Path|Circle> the point last; none where there is no amount
     */
    public static function marks(
        array $amounts,
        float $left,
        float $centre,
        float $width,
        float $height,
        ?string $key = null,
    ): array {
        $known = array_filter($amounts, static fn (?float $one): bool => null !== $one);
        if ([] === $known) {
            return [];
        }
        [$least, $most] = [min($known), max($known)];
        $step = \count($amounts) > 1 ? ($width - 2.0 * self::POINT) / (\count($amounts) - 1) : 0.0;
        $pieces = [[]];
        $last = [0.0, 0.0];
        foreach ($amounts as $place => $amount) {
            if (null === $amount) {
                $pieces[] = [];
                continue;
            }
            $share = $most > $least ? ($amount - $least) / ($most - $least) : 0.5;
            $last = [$left + self::POINT + $place * $step, $centre + $height * (0.5 - $share)];
            $pieces[\count($pieces) - 1][] = $last;
        }
        $marks = [];
        foreach ($pieces as $points) {
            if (\count($points) > 1) {
                $marks[] = new Path(
                    points: $points, stroke: Ink::Quiet->value, thickness: self::THICKNESS, role: 'trend', key: $key,
                );
            }
        }

        return [...$marks, new Circle($last[0], $last[1], self::POINT, Ink::Ink->value, role: 'trend-end', key: $key)];
    }
}
