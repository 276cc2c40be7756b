<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** Charts that a named finish was put on, and their recipes as they were. */
#[OA\Schema]
final readonly class FinishUsesJson
{
    /**
     * @param list<KeptRecipeJson> $before
     * @param list<ChartJson> $charts
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/KeptRecipe'))]
        public array $before,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Chart'))] public array $charts,
    ) {}
}
