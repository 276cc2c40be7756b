<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A period of a coverage strip, with the keys of its fiscal year and of its last finest period. */
#[OA\Schema]
final readonly class StripPeriodJson
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $label,
        #[OA\Property] public string $year,
        #[OA\Property] public string $closes,
    ) {}
}
