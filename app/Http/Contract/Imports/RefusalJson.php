<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** A row of a file that cannot come in. */
#[OA\Schema]
final readonly class RefusalJson
{
    public function __construct(
        #[OA\Property] public int $row,
        #[OA\Property] public string $column,
        #[OA\Property] public string $reason,
    ) {}
}
