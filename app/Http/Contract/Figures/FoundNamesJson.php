<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** What was found, charts first. */
#[OA\Schema]
final readonly class FoundNamesJson
{
    /**
     * @param list<FoundNameJson> $items
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/FoundName'))] public array $items,
    ) {}
}
