<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** Where the names of columns stand in a file. */
#[OA\Schema]
final readonly class HeaderPlaceJson
{
    public function __construct(#[OA\Property] public int $row, #[OA\Property(enum: [0, 1, 2])] public int $levels) {}
}
