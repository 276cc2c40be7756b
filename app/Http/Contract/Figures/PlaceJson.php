<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** Where a finding leads. */
#[OA\Schema]
final readonly class PlaceJson
{
    /**
     * @param list<string> $members
     */
    public function __construct(
        #[OA\Property] public string $measure,
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public string $scenario,
        #[OA\Property] public string $period,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $members,
        #[OA\Property] public string $amount,
    ) {}
}
