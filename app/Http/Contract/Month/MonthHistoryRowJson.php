<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** How late the figures of a dataset came over the last months. */
#[OA\Schema]
final readonly class MonthHistoryRowJson
{
    /** @param list<MonthLatenessJson> $months the oldest first */
    public function __construct(
        #[OA\Property] public int $dataset,
        #[OA\Property] public string $name,
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public string $scenario,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MonthLateness'))]
        public array $months,
    ) {}
}
