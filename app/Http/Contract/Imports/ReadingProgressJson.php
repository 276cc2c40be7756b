<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** How far the work on a file has come. */
#[OA\Schema]
final readonly class ReadingProgressJson
{
    public function __construct(
        #[OA\Property(enum: ['', 'reading', 'writing'])] public string $phase,
        #[OA\Property] public int $done,
    ) {}
}
