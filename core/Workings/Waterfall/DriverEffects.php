<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;

/** What drives the change of a member's value; the parts add up to it. */
final readonly class DriverEffects
{
    /**
     * @param BigDecimal $rate of a currency bridge the price at the old exchange rate
     * @param BigDecimal $currency nought where there is no exchange rate
     */
    public function __construct(
        public BigDecimal $volume,
        public BigDecimal $mix,
        public BigDecimal $rate,
        public BigDecimal $currency,
    ) {}
}
