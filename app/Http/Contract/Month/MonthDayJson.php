<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** A working day on which figures are expected. */
#[OA\Schema]
final readonly class MonthDayJson
{
    public function __construct(
        #[OA\Property] public int $number,
        #[OA\Property] public string $day,
        #[OA\Property] public string $weekday,
        #[OA\Property] public bool $isToday,
    ) {}
}
