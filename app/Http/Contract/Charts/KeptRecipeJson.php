<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** The recipe of a chart as it was. */
#[OA\Schema]
final readonly class KeptRecipeJson
{
    /** @param array<string, mixed> $recipe */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property(ref: '#/components/schemas/Recipe')] public array $recipe,
    ) {}
}
