<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Result\Check;

/** What a bridge leads from and to, and which amounts are on each side of its legs. */
final readonly class BridgePlan
{
    /**
     * @param list<Leg> $legs one or more
     * @param list<Check> $checks about periods that are left out
     * @param string $words what the subtitle says of it: `from BU to AC`
     * @param ?StatedBalance $stated opening and closing values in a measure of their own; null: none
     * @param ?string $proRata what is taken by the days that have passed, as the subtitle says it; null: nothing
     * @param ?FinePeriods $span that steps are of; null: that of the first leg
     * @param bool $isFromNought whether steps begin at nought, without a total
     */
    public function __construct(
        public array $legs,
        public array $checks,
        public string $words,
        public bool $isFromNought = false,
        public ?StatedBalance $stated = null,
        private ?FinePeriods $span = null,
        public ?string $proRata = null,
    ) {}

    /** The finest periods that steps are of. */
    public function span(): FinePeriods
    {
        return $this->span ?? $this->legs[0]->second->fine;
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
