<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** How many amounts an arrival would change. */
#[OA\Schema]
final readonly class ArrivalCountsJson
{
    public function __construct(
        #[OA\Property] public int $added,
        #[OA\Property] public int $changed,
        #[OA\Property] public int $removed,
        #[OA\Property] public int $inNewPeriods,
        #[OA\Property] public int $inClosedPeriods,
    ) {}
}
