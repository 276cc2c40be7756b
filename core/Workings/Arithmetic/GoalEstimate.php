<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Time\Period;

/** When a goal would be reached, if what comes in goes on as its last contributions came. */
final readonly class GoalEstimate
{
    /**
     * @param positive-int $count contributions that the rate is of
     * @param Period $from of the first of them
     * @param Period $to the last closed period, which the rate reaches to
     * @param BigDecimal $rate of one period, rounded; it may be nought or less
     * @param ?Period $reached null: never at this rate, or it is reached already
     */
    public function __construct(
        public int $count,
        public Period $from,
        public Period $to,
        public BigDecimal $rate,
        public ?Period $reached,
    ) {}
}
