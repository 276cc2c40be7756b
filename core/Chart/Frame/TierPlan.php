<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Workings\Result\Row;

/** What a kind draws on a band axis. */
final readonly class TierPlan
{
    /**
     * @param \Closure(list<Row>): list<Tier> $tiers of one panel, from top to bottom
     * @param list<SeriesKey> $keys of what stands on the axis
     * @param list<string> $explanations what the subtitle explains
     * @param bool $mayTurn whether time can run downwards
     * @param bool $isHorizontal whether lengths always run from left to right
     * @param float $below points that tiers write below the last row
     */
    public function __construct(
        public \Closure $tiers,
        public array $keys = [],
        public array $explanations = [],
        public bool $mayTurn = true,
        public bool $isHorizontal = false,
        public float $below = 0.0,
    ) {}
}
