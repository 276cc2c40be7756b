<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** A breakdown that would come in. */
#[OA\Schema]
final readonly class TrialBreakdownJson
{
    /**
     * @param list<string> $newMembers
     */
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property] public int $members,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $newMembers,
        #[OA\Property] public int $newCount,
    ) {}
}
