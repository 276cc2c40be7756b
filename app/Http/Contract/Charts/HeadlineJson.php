<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** The number that matters most. */
#[OA\Schema]
final readonly class HeadlineJson
{
    public function __construct(
        #[OA\Property] public string $label,
        #[OA\Property] public string $amount,
        #[OA\Property(nullable: true)] public ?string $variance,
        #[OA\Property(nullable: true)] public ?string $percent,
        #[OA\Property(enum: ['favourable', 'unfavourable', 'neutral'], nullable: true)] public ?string $effect,
        #[OA\Property] public string $note,
        #[OA\Property] public string $row,
    ) {}
}
