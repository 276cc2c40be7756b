<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** The checks of a dataset. */
#[OA\Schema]
final readonly class FindingsJson
{
    /**
     * @param list<FindingJson> $items
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Finding'))] public array $items,
    ) {}
}
