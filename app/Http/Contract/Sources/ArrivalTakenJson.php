<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use KeenMargin\App\Http\Contract\Imports\ImportJson;
use OpenApi\Attributes as OA;

/** An arrival that was taken, and its import. */
#[OA\Schema]
final readonly class ArrivalTakenJson
{
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Arrival')] public ArrivalJson $arrival,
        #[OA\Property(ref: '#/components/schemas/Import')] public ImportJson $import,
    ) {}
}
