<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use Brick\Math\BigDecimal;

/** From amounts to heights, zero included by construction. */
final readonly class LinearScale
{
    /**
     * @param float $zero    y of nought
     * @param float $perUnit points for one unit of the measure
     */
    public function __construct(public float $zero, public float $perUnit)
    {
    }

    public function y(BigDecimal $amount): float
    {
        return $this->zero - $this->length($amount);
    }

    /** Signed: upwards for amounts above nought. */
    public function length(BigDecimal $amount): float
    {
        return $amount->toFloat() * $this->perUnit;
    }
}
