<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** The day within a month that actuals end with, and the month. */
#[OA\Schema]
final readonly class MonthEndJson
{
    public function __construct(
        #[OA\Property] public string $day,
        #[OA\Property] public string $dayLabel,
        #[OA\Property] public string $month,
        #[OA\Property] public string $monthLabel,
    ) {}
}
