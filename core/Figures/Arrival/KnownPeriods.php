<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** Which periods of a dataset are closed, and which are new to a scenario, before an arrival counts. */
final class KnownPeriods
{
    /** @var array<string, array<int, true>> starts by scenario code */
    private readonly array $covered;
    private readonly ?Period $closed;
    /** @var array<int, bool> by start, of those that were asked for */
    private array $isClosed = [];

    public function __construct(private readonly Dataset $dataset)
    {
        $this->covered = array_map(
            static fn (array $periods): array => array_fill_keys(
                array_map(static fn (Period $period): int => $period->start, $periods),
                true,
            ),
            $dataset->coverage->periods,
        );
        $this->closed = $dataset->closedThrough ?? self::maybeBeforeLast($dataset);
    }

    public function isNew(Scenario $scenario, int $start): bool
    {
        return !isset($this->covered[$scenario->value][$start]);
    }

    /**
     * Whether the books are closed through a period. Where nobody has closed them, all before the period of the last
     * actual count as closed: that one may still be filling up.
     */
    public function isClosed(int $start): bool
    {
        return $this->isClosed[$start] ??= null !== $this->closed && !$this->period($start)->isAfter($this->closed);
    }

    public function period(int $start): Period
    {
        return Period::ofStart($this->dataset->grain, $start, $this->dataset->calendar);
    }

    private static function maybeBeforeLast(Dataset $dataset): ?Period
    {
        $last = $dataset->coverage->last(Scenario::Actual);
        if (null === $last || Grain::Timeless === $last->grain) {
            return null;
        }
        $open = Grain::Day === $last->grain ? $last->group(Grain::Month, $dataset->calendar) : $last;

        return $open->moved(-1);
    }
}
