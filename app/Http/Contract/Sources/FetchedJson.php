<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** What came of a fetch. */
#[OA\Schema]
final readonly class FetchedJson
{
    public function __construct(
        #[OA\Property(enum: ['taken', 'waits', 'nothing new', 'failed', 'not now'])] public string $outcome,
        #[OA\Property(ref: '#/components/schemas/Source')] public SourceJson $source,
    ) {}
}
