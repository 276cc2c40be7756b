<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use KeenMargin\App\Http\Contract\Figures\Dataset;
use OpenApi\Attributes as OA;

/** An import and the dataset that it went into. */
#[OA\Schema]
final readonly class Imported
{
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Import')] public Import $import,
        #[OA\Property(ref: '#/components/schemas/Dataset')] public Dataset $dataset,
    ) {}
}
