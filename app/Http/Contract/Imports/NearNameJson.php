<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** A new name that is like a known one. */
#[OA\Schema]
final readonly class NearNameJson
{
    public function __construct(
        #[OA\Property] public string $breakdown,
        #[OA\Property] public string $name,
        #[OA\Property] public string $like,
    ) {}
}
