<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Workings\Result\Check;

/** What a bridge leads from and to, and which amounts are on each side of its legs. */
final readonly class BridgePlan
{
    /**
     * @param list<Leg> $legs one or more
     * @param list<Check> $checks about periods that are left out
     * @param string $words what the subtitle says of it: `from BU to AC`
     * @param bool $isFromNought whether steps begin at nought, without a total
     */
    public function __construct(
        public array $legs,
        public array $checks,
        public string $words,
        public bool $isFromNought = false,
    ) {
    }

    public function start(): BridgeEnd
    {
        return $this->legs[0]->from;
    }

    public function end(): BridgeEnd
    {
        return $this->legs[\count($this->legs) - 1]->to;
    }
}
