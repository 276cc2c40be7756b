<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** How late figures came over the last twelve months. */
#[OA\Schema]
final readonly class MonthHistoryJson
{
    /**
     * @param list<MonthHistoryRowJson> $items
     * @param list<array{key: string, label: string}> $periods the oldest first
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MonthHistoryRow'))]
        public array $items,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Period'))]
        public array $periods,
    ) {}
}
