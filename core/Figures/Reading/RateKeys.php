<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use KeenMargin\Core\Figures\Grouping;

/** Keys of percentages whose parts are not known: two for one key cannot be added. */
final class RateKeys
{
    /** @var array<string, array<int, array<string, true>>> by measure, series and period */
    private array $seen = [];

    public function __construct(private readonly Mapping $mapping, private readonly Refusals $refusals)
    {
    }

    public function areNone(): bool
    {
        return [] === array_filter($this->mapping->measures, static fn (MeasureRule $rule): bool => Grouping::Rate === $rule->grouping);
    }

    public function takes(int $row, string $measure, int $series, string $start): bool
    {
        if (Grouping::Rate !== ($this->mapping->measures[$measure] ?? null)?->grouping) {
            return true;
        }
        if (isset($this->seen[$measure][$series][$start])) {
            $this->refusals->add($row, '', "$measure is a percentage, and an earlier row has one for the same key; two cannot be added. Leave one out.");

            return false;
        }

        return $this->seen[$measure][$series][$start] = true;
    }
}
