<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A row that moved the headline. */
#[OA\Schema]
final readonly class MoverJson
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $label,
        #[OA\Property] public string $variance,
        #[OA\Property(enum: ['favourable', 'unfavourable', 'neutral'])] public string $effect,
        #[OA\Property] public bool $flagged,
    ) {}
}
