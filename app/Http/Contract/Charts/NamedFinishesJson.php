<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** Finishes that are kept under names. */
#[OA\Schema]
final readonly class NamedFinishesJson
{
    /**
     * @param list<NamedFinishJson> $items
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/NamedFinish'))]
        public array $items,
    ) {}
}
