<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Scene;

use OpenApi\Attributes as OA;

/** Where a reader points at a row. */
#[OA\Schema]
final readonly class RegionJson
{
    /**
     * @param array{float, float, float, float} $reach
     * @param array{float, float, float, float} $lit
     */
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property(
            description: 'in which pointing means the row',
            type: 'array',
            items: new OA\Items(type: 'number'),
            minItems: 4,
            maxItems: 4,
        )]
        public array $reach,
        #[OA\Property(
            description: 'what is lit while it does',
            type: 'array',
            items: new OA\Items(type: 'number'),
            minItems: 4,
            maxItems: 4,
        )]
        public array $lit,
    ) {}
}
