<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;

/**
 * What the rows of a question are made of, so that it can be told which members have a row, and which are the largest.
 */
interface RowContent
{
    /** Whether there is any figure of what is shown or of a reference. */
    public function hasFigures(FinePeriods $fine, Sums $sums): bool;

    /**
     * @param array<string|int, Sums> $sums by member
     *
     * @return array<string|int, int|BigInteger|BigDecimal> what is shown of those that have any
     */
    public function sizes(FinePeriods $fine, array $sums): array;
}
