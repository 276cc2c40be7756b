<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;

/** The way from one total of a bridge to the next. */
final readonly class Leg
{
    /**
     * @param non-negative-int $place totals between start and end that stand before it
     * @param \Closure(Grain): list<LegPart> $parts of it by periods, in calendar order
     */
    public function __construct(
        public int $place,
        public BridgeEnd $from,
        public BridgeEnd $to,
        public BridgeSide $first,
        public BridgeSide $second,
        private \Closure $parts,
    ) {}

    /** The finest periods that steps are made of: of spans of time those of both. */
    public function fine(): FinePeriods
    {
        return $this->second->fine->with($this->first->fine);
    }

    /** @return list<LegPart> */
    public function parts(Grain $by): array
    {
        return ($this->parts)($by);
    }
}
