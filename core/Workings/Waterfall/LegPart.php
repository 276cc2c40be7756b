<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Time\Period;

/** What one period has to do with the way from one total to the next. */
final readonly class LegPart
{
    /** @param Period $period of the second side */
    public function __construct(public Period $period, public BridgeSide $first, public BridgeSide $second) {}
}
