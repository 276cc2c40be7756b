<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** An import that brought the same file, or one like it, in. */
#[OA\Schema]
final readonly class EarlierImportJson
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $at,
        #[OA\Property] public int $facts,
        #[OA\Property(ref: '#/components/schemas/DatasetName')] public DatasetNameJson $dataset,
    ) {}
}
