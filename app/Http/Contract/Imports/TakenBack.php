<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use KeenMargin\App\Http\Contract\Figures\Dataset;
use OpenApi\Attributes as OA;

/** An import that was taken back, what that did, and the dataset. */
#[OA\Schema]
final readonly class TakenBack
{
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Import')] public Import $import,
        #[OA\Property(ref: '#/components/schemas/TakenBackCounts')] public TakenBackCounts $done,
        #[OA\Property(ref: '#/components/schemas/Dataset')] public Dataset $dataset,
    ) {}
}
