<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** An import that figures came with. */
#[OA\Schema]
final readonly class ImportOfJson
{
    public function __construct(
        #[OA\Property] public int $import,
        #[OA\Property] public string $name,
        #[OA\Property] public string $at,
        #[OA\Property] public int $facts,
    ) {}
}
