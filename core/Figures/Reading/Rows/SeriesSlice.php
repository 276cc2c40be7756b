<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

/** Some of the series that were read: a number of combinations of members, scenario and measure, and their amounts. */
final readonly class SeriesSlice
{
    /**
     * @param list<string> $combinations as RowCombinations writes them
     * @param array<int, string> $packed amounts by place in the list times slots, plus slot
     * @param array<int, int> $decimals that the amounts really have, by the same number
     */
    public function __construct(public array $combinations, public array $packed, public array $decimals) {}
}
