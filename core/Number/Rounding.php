<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** How fractions become decimals, once and half away from zero. Decimals stay as they are. */
final readonly class Rounding
{
    /**
     * @param non-negative-int $decimals of a fraction
     * @param bool             $strips   whether zeros at its end are taken off
     */
    public function __construct(private int $decimals = Decimals::RATE_SCALE, private bool $strips = false)
    {
    }

    /** @return ($exact is null ? null : BigDecimal) */
    public function of(BigDecimal|BigRational|null $exact): ?BigDecimal
    {
        if (!$exact instanceof BigRational) {
            return $exact;
        }
        $rounded = $exact->toScale($this->decimals, RoundingMode::HalfUp);

        return $this->strips ? $rounded->strippedOfTrailingZeros() : $rounded;
    }
}
