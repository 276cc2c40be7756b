<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A statement about numbers that holds or does not. */
#[OA\Schema]
final readonly class CheckJson
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public bool $holds,
        #[OA\Property] public string $says,
    ) {}
}
