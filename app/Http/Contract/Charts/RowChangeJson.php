<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A change of the chart that is made at one of its rows. */
#[OA\Schema]
final readonly class RowChangeJson
{
    /** @param array<string, mixed> $recipe */
    public function __construct(
        #[OA\Property(enum: ['open', 'close', 'subtotal', 'gather', 'role'])] public string $id,
        #[OA\Property] public string $label,
        #[OA\Property(description: 'pressed in the menu of the row; blank: none')] public string $key,
        #[OA\Property(ref: '#/components/schemas/Recipe')] public array $recipe,
    ) {}
}
