<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** What a meaning makes of the bands of the first rows. */
#[OA\Schema]
final readonly class BandReadingJson
{
    public function __construct(
        #[OA\Property(enum: ['limits', 'increments', 'percent of target'])] public string $meaning,
        #[OA\Property] public string $says,
    ) {}
}
