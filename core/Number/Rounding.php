<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

use Brick\Math\BigDecimal;

/** How fractions become decimals, once and half away from zero. Decimals stay as they are. */
final readonly class Rounding
{
    /**
     * @param non-negative-int $decimals of a fraction
     * @param bool $strips whether zeros at its end are taken off
     */
    public function __construct(private int $decimals = Decimals::RATE_SCALE, private bool $strips = false) {}

    /** @return ($exact is null ? null : BigDecimal) */
    public function of(BigDecimal|Fraction|null $exact): ?BigDecimal
    {
        if (!$exact instanceof Fraction) {
            return $exact;
        }
        $rounded = $exact->rounded($this->decimals);

        return $this->strips ? $rounded->strippedOfTrailingZeros() : $rounded;
    }
}
