<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use KeenMargin\App\Http\Contract\Figures\DatasetJson;
use OpenApi\Attributes as OA;

/** An import and the dataset that it went into. */
#[OA\Schema]
final readonly class ImportedJson
{
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Import')] public ImportJson $import,
        #[OA\Property(ref: '#/components/schemas/Dataset')] public DatasetJson $dataset,
    ) {}
}
