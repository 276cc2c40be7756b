<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;

/** By how much a member moves a total, and how large it was before. */
final readonly class ExplainingStep
{
    public function __construct(public BigDecimal|Fraction $change, public BigDecimal|Fraction $size) {}

    public function plus(self $other): self
    {
        return new self(ExactNumber::plus($this->change, $other->change), ExactNumber::plus($this->size, $other->size));
    }
}
