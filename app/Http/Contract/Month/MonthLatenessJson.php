<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** How late figures came in a month. */
#[OA\Schema]
final readonly class MonthLatenessJson
{
    public function __construct(
        #[OA\Property] public string $period,
        #[OA\Property(description: 'working days; null: they did not come, or nobody knows when', nullable: true)]
        public ?int $late,
        #[OA\Property(nullable: true)] public ?string $came,
    ) {}
}
