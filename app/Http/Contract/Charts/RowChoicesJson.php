<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** Which rows a kind can have. */
#[OA\Schema]
final readonly class RowChoicesJson
{
    public function __construct(
        #[OA\Property] public bool $hasMembers,
        #[OA\Property(description: 'a breakdown that neither rows nor panels may be of', nullable: true)]
        public ?string $taken,
        #[OA\Property] public bool $canLand,
        #[OA\Property(description: 'rows are steps of a waterfall')] public bool $isWaterfall,
        #[OA\Property(description: 'members may stand in another order, and be gathered')] public bool $canOrder,
        #[OA\Property(description: 'all may be taken together, in one row')] public bool $canBeWhole,
    ) {}
}
