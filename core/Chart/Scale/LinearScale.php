<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Scale;

use Brick\Math\BigDecimal;

/** From amounts to places along, zero included by construction. */
final readonly class LinearScale
{
    /**
     * @param float $zero where nought is
     * @param float $perUnit points for one unit of the measure
     * @param float $sign +1 where larger amounts have larger coordinates
     */
    public function __construct(public float $zero, public float $perUnit, private float $sign = -1.0) {}

    public function at(BigDecimal|float $amount): float
    {
        return $this->zero +
            $this->sign * ($amount instanceof BigDecimal ? $amount->toFloat() : $amount) * $this->perUnit;
    }

    /** The place so many points beyond another, on the side of larger amounts. */
    public function beyond(float $along, float $points): float
    {
        return $along + $this->sign * $points;
    }
}
