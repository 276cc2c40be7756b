<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;

/** Volume and value of a member on both sides of a driver bridge; what a side has no figure of is nothing. */
final readonly class DriverFigures
{
    /**
     * @param BigDecimal|Fraction|null $rate0 exchange rate on the first side; null: none
     * @param BigDecimal|Fraction|null $rate1 on the second side; null: none
     */
    public function __construct(
        public BigDecimal $volume0,
        public BigDecimal $volume1,
        public BigDecimal $value0,
        public BigDecimal $value1,
        public BigDecimal|Fraction|null $rate0 = null,
        public BigDecimal|Fraction|null $rate1 = null,
    ) {}

    public function isNew(): bool
    {
        return $this->volume0->isZero();
    }

    public function isGone(): bool
    {
        return !$this->isNew() && $this->volume1->isZero();
    }

    public function change(): BigDecimal
    {
        return $this->value1->minus($this->value0);
    }
}
