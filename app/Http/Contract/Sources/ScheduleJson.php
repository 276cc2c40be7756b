<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** When figures are fetched. */
#[OA\Schema]
final readonly class ScheduleJson
{
    public const OPTIONAL_OR_NULL = ['days', 'number'];

    /** @param list<int> $days of the week, 1 for Monday */
    public function __construct(
        #[OA\Property(enum: ['asked', 'hour', 'working day', 'week', 'month'])] public string $every,
        #[OA\Property] public string $at,
        #[OA\Property] public string $zone,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'integer'))] public array $days = [],
        #[OA\Property] public int $number = 1,
    ) {}
}
