<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A note of a row of this chart. */
#[OA\Schema]
final readonly class RowNoteJson
{
    /**
     * @param list<array<string, mixed>> $place
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property] public int $dataset,
        #[OA\Property] public string $datasetName,
        #[OA\Property] public string $measure,
        #[OA\Property] public string $period,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Filter'))] public array $place,
        #[OA\Property] public string $label,
        #[OA\Property] public string $text,
        #[OA\Property] public string $author,
        #[OA\Property] public string $at,
        #[OA\Property(nullable: true)] public ?string $changedAt,
        #[OA\Property] public int $number,
        #[OA\Property] public string $row,
    ) {}
}
