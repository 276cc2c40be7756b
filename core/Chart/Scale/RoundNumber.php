<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Scale;

/** Numbers that scales end at. */
final class RoundNumber
{
    private const STEPS = [1.0, 1.2, 1.5, 2.0, 2.5, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0];

    /** The next round number that is not less: 87 → 100, 132 → 150; of −132 it is −120. */
    public static function from(float $number): float
    {
        if (0.0 === $number) {
            return 0.0;
        }
        $size = abs($number);
        $power = 10.0 ** floor(log10($size));
        $steps = $number > 0.0 ? self::STEPS : array_reverse(self::STEPS);
        foreach ($steps as $step) {
            $round = $step * $power;
            $isNear = abs($round - $size) < 1e-9 * $size;
            if ($isNear || ($number > 0.0 ? $round > $size : $round < $size)) {
                return $number > 0.0 ? $round : -$round;
            }
        }

        return $number;
    }

    /** The next round number that is not more. */
    public static function upTo(float $number): float
    {
        return -self::from(-$number);
    }
}
