<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A dataset as lists show it. */
#[OA\Schema]
final readonly class DatasetBriefJson
{
    public const OPTIONAL_OR_NULL = ['failing'];

    /**
     * @param list<string> $scenarios
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property] public string $name,
        #[OA\Property] public string $organisation,
        #[OA\Property] public int $facts,
        #[OA\Property(description: 'names and amounts without periods')] public bool $isList,
        #[OA\Property] public string $periods,
        #[OA\Property(type: 'array', items: new OA\Items(enum: ['AC', 'BU', 'FC', 'TG', 'PY']))]
        public array $scenarios,
        #[OA\Property] public string $closedThrough,
        #[OA\Property] public string $usedAt,
        #[OA\Property(
            description: 'checks that fail; none where they have not been made since the last change', nullable: true,
        )]
        public ?int $failing = null,
    ) {}
}
