<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A named chart. */
#[OA\Schema]
final readonly class ChartJson
{
    public const OPTIONAL = ['pictured', 'troubles'];
    public const OPTIONAL_OR_NULL = ['behind'];

    /**
     * @param array<string, mixed> $recipe
     * @param ?list<string> $troubles
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property] public string $name,
        #[OA\Property] public int $dataset,
        #[OA\Property] public string $datasetName,
        #[OA\Property(ref: '#/components/schemas/Recipe')] public array $recipe,
        #[OA\Property(description: 'the last change of a name that its names know of; saving tells it')]
        public int $names,
        #[OA\Property] public string $savedAt,
        #[OA\Property(description: 'what the picture was drawn from')] public ?string $pictured = null,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public ?array $troubles = null,
        #[OA\Property(nullable: true)] public ?string $behind = null,
    ) {}
}
