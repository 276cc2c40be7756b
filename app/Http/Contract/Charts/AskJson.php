<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A name that a dataset lacks, and what could stand in its place. */
#[OA\Schema]
final readonly class AskJson
{
    /**
     * @param list<string> $choices
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $choices,
        #[OA\Property] public bool $mayGo,
        #[OA\Property] public string $without,
        #[OA\Property(nullable: true)] public ?string $guess,
    ) {}
}
