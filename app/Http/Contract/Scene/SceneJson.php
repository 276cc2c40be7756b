<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Scene;

use OpenApi\Attributes as OA;

/** A chart before any renderer. */
#[OA\Schema]
final readonly class SceneJson
{
    /**
     * @param list<RegionJson> $regions
     * @param list<HandleJson> $handles
     * @param list<MarkJson> $marks
     */
    public function __construct(
        #[OA\Property] public float $width,
        #[OA\Property] public float $height,
        #[OA\Property] public string $title,
        #[OA\Property] public string $description,
        #[OA\Property(enum: ['effect', 'greys'])] public string $colours,
        #[OA\Property(
            description: "where rows are pointed at, in the rows' order",
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/Region'),
        )]
        public array $regions,
        #[OA\Property(
            description: 'what may be moved', type: 'array', items: new OA\Items(ref: '#/components/schemas/Handle'),
        )]
        public array $handles,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Mark'))] public array $marks,
    ) {}
}
