<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** Something that has a name. */
#[OA\Schema]
final readonly class FoundNameJson
{
    public function __construct(
        #[OA\Property(enum: ['report', 'chart', 'dataset', 'measure', 'breakdown', 'member', 'note', 'import'])]
        public string $kind,
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $within,
        #[OA\Property] public int $dataset,
    ) {}
}
