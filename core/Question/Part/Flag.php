<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Part;

use Brick\Math\BigDecimal;

/** The size from which a variance deserves attention. Both thresholds must be reached where both are set. */
final readonly class Flag
{
    public function __construct(public ?BigDecimal $percent = null, public ?BigDecimal $amount = null) {}

    public function isSet(): bool
    {
        return null !== $this->percent || null !== $this->amount;
    }
}
