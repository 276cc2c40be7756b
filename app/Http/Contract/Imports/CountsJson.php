<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** What an import did to the figures. */
#[OA\Schema]
final readonly class CountsJson
{
    public function __construct(
        #[OA\Property] public int $added,
        #[OA\Property] public int $replaced,
        #[OA\Property] public int $unchanged,
        #[OA\Property] public int $removed,
    ) {}
}
