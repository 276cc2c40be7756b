<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use Brick\Math\BigDecimal;

/** Where a scale begins and ends, in the measure's own unit; null: as it is found from the numbers. */
final readonly class ScaleEnds
{
    public function __construct(public ?BigDecimal $from = null, public ?BigDecimal $to = null) {}
}
