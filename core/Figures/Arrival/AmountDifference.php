<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use KeenMargin\Core\Figures\Series\Series;

/** One amount as it was and as it would be, as whole numbers with the decimals of its measure. */
final readonly class AmountDifference
{
    /**
     * @param int $start of its period
     * @param ?int $was null: there was none
     * @param ?int $is null: there would be none any more
     */
    public function __construct(public Series $series, public int $start, public ?int $was, public ?int $is) {}

    public function change(): int
    {
        return ($this->is ?? 0) - ($this->was ?? 0);
    }
}
