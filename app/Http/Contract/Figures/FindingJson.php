<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A check of a dataset. */
#[OA\Schema]
final readonly class FindingJson
{
    /**
     * @param list<PlaceJson> $places
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public bool $holds,
        #[OA\Property] public string $says,
        #[OA\Property] public int $count,
        #[OA\Property] public string $mark,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Place'))] public array $places,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/Acceptance'), new OA\Schema(type: 'null')])]
        public ?AcceptanceJson $accepted,
    ) {}
}
