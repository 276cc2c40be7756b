<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Workings\Arithmetic\Variance;

/** What a member changes between two sides. A step is made of the larger ones only; the others are gathered. */
final readonly class MemberChange
{
    /**
     * @param Sums $before figures of the first side
     * @param Sums $after figures of the second side
     * @param BigDecimal|Fraction $exact the change, before it is rounded
     * @param ?Variance $variance of a ratio, where it is what the change was taken from; null: it is that of the sides
     */
    public function __construct(
        public string $member,
        public Sums $before,
        public Sums $after,
        public BigDecimal|Fraction $exact,
        public ?Variance $variance,
    ) {}
}
