<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

/** What of that which a source brings may come in without anybody looking at it. */
enum TakesBySelf: string
{
    case Nothing = 'never';
    case NewPeriods = 'new periods';
    case OpenPeriods = 'open periods';
    case WhatHolds = 'checked';

    /**
     * Whether all of an arrival comes in by itself: it does so whole, or waits whole. Nothing does whose checks fail.
     *
     * @param list<string> $failing what does not hold, as sentences
     */
    public function lets(ArrivalCounts $counts, array $failing): bool
    {
        return [] === $failing && match ($this) {
            self::Nothing => false,
            self::NewPeriods => $counts->all() === $counts->inNewPeriods,
            self::OpenPeriods => 0 === $counts->inClosedPeriods,
            self::WhatHolds => true,
        };
    }
}
