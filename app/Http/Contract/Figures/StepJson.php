<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A change that was undone or done again. */
#[OA\Schema]
final readonly class StepJson
{
    public function __construct(
        #[OA\Property] public string $says,
        #[OA\Property(description: 'amounts that were left as they were changed since')] public int $skipped,
    ) {}
}
