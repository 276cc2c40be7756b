<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

use KeenMargin\Core\Figures\Arrival\Differences;

/** An arrival held against its dataset as it is now. */
final readonly class ComparedArrival
{
    /** @param array<string, int> $decimals that the differences are told with, by measure */
    public function __construct(public Differences $differences, public array $decimals) {}
}
