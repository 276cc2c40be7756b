<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** One number that every row of the workings has. */
#[OA\Schema]
final readonly class WorkingsColumnJson
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $head,
        #[OA\Property(description: 'how it is computed, in words')] public string $rule,
        #[OA\Property(description: 'of a variance, what it is against', nullable: true)] public ?string $reference,
    ) {}
}
