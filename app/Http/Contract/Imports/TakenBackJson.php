<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use KeenMargin\App\Http\Contract\Figures\DatasetJson;
use OpenApi\Attributes as OA;

/** An import that was taken back, what that did, and the dataset. */
#[OA\Schema]
final readonly class TakenBackJson
{
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Import')] public ImportJson $import,
        #[OA\Property(ref: '#/components/schemas/TakenBackCounts')] public TakenBackCountsJson $done,
        #[OA\Property(ref: '#/components/schemas/Dataset')] public DatasetJson $dataset,
    ) {}
}
