<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A way to look into a row. */
#[OA\Schema]
final readonly class WayDeeperJson
{
    /**
     * @param array<string, mixed> $recipe
     */
    public function __construct(
        #[OA\Property] public string $by,
        #[OA\Property] public string $label,
        #[OA\Property(ref: '#/components/schemas/Recipe')] public array $recipe,
    ) {}
}
