<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** An arrival that was taken, and its import. */
#[OA\Schema]
final readonly class ArrivalTaken
{
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Arrival')] public Arrival $arrival,
        #[OA\Property(ref: '#/components/schemas/Import')] public \KeenMargin\App\Http\Contract\Imports\Import $import,
    ) {}
}
