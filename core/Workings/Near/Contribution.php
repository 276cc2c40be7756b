<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Time\Period;

/** What came in in one period. */
final readonly class Contribution
{
    public function __construct(public Period $period, public BigDecimal|Fraction $amount) {}
}
