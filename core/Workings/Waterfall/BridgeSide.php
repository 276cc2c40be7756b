<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\ScenarioPeriods;

/** One of the two sides of a comparison: which amounts are put together. */
final readonly class BridgeSide
{
    /**
     * @param FinePeriods $fine that the amounts are of
     * @param list<MemberFilter|NumberFilter> $where besides the question's filters
     */
    public function __construct(public ScenarioPeriods $periods, public FinePeriods $fine, public array $where = []) {}
}
