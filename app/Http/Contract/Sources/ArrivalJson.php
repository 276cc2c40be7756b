<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** What a source brought, before it counts and after it was decided. */
#[OA\Schema]
final readonly class ArrivalJson
{
    /** @param list<array{row: int, column: string, reason: string}> $refusals rows that cannot be read */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $source,
        #[OA\Property] public string $sourceName,
        #[OA\Property] public int $dataset,
        #[OA\Property] public string $datasetName,
        #[OA\Property] public string $name,
        #[OA\Property] public string $at,
        #[OA\Property] public string $period,
        #[OA\Property(enum: ['waits', 'taken', 'taken in part', 'refused', 'overtaken'])] public string $state,
        #[OA\Property] public string $says,
        #[OA\Property(ref: '#/components/schemas/ArrivalCounts', nullable: true)] public ?ArrivalCountsJson $counts,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Refusal'))] public array $refusals,
        #[OA\Property] public string $reason,
        #[OA\Property] public string $who,
        #[OA\Property(nullable: true)] public ?string $decidedAt,
        #[OA\Property(nullable: true)] public ?int $import,
    ) {}
}
