<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MeasureRule;
use KeenMargin\Core\Figures\Reading\Text\Refusals;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/**
 * Refuses a second amount for a key of a measure whose amounts are not added up over members: scores, prices,
 * percentages whose parts are not known. Each of them counts once, so that two need keys of their own.
 */
final class SingleAmounts
{
    /** @var array<string, array<int, array<string, true>>> by measure, series and period */
    private array $seen = [];

    public function __construct(private readonly Mapping $mapping, private readonly Refusals $refusals) {}

    public function areNone(): bool
    {
        return [] ===
            array_filter($this->mapping->measures, static fn (MeasureRule $rule): bool => $rule->isOfSingleAmounts());
    }

    /**
     * Whether the amount is the first of its key; else it is refused.
     *
     * @throws RefusedFigures
     */
    public function takes(int $row, string $measure, int $series, string $start): bool
    {
        if (true !== ($this->mapping->measures[$measure] ?? null)?->isOfSingleAmounts()) {
            return true;
        }
        if (isset($this->seen[$measure][$series][$start])) {
            $this->refusals->add(
                $row,
                '',
                "$measure is not added up, and an earlier row has one for the same key; two cannot be added. Take in "
                    .'a column that tells them apart, or leave one out.',
            );

            return false;
        }

        return $this->seen[$measure][$series][$start] = true;
    }
}
