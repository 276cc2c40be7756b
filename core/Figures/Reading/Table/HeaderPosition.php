<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

/** Where the names of the columns stand: in the row of this number, in it and the next, or (no levels) nowhere. */
final readonly class HeaderPosition
{
    /**
     * @param int $row of the upper level; where there are no levels, of the first row of figures
     * @param 0|1|2 $levels
     */
    public function __construct(public int $row, public int $levels = 1) {}

    /** @return array{row: int, levels: int} as a recipe writes it */
    public function toArray(): array
    {
        return ['row' => $this->row, 'levels' => $this->levels];
    }
}
