<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** A file or paste that brought figures in. */
#[OA\Schema]
final readonly class ImportJson
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $at,
        #[OA\Property] public int $rows,
        #[OA\Property] public int $facts,
        #[OA\Property(enum: ['add', 'replace periods', 'replace all', 'by hand'])] public string $mode,
        #[OA\Property] public string $who,
        #[OA\Property(ref: '#/components/schemas/Counts')] public CountsJson $counts,
        #[OA\Property(nullable: true)] public ?string $takenBackAt,
        #[OA\Property] public bool $isKept,
    ) {}
}
