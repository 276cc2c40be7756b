<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** A measure that would come in. */
#[OA\Schema]
final readonly class TrialMeasureJson
{
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property] public string $unit,
        #[OA\Property] public bool $isNew,
        #[OA\Property(enum: ['sum', 'average', 'last', 'ratio', 'rate'])] public string $grouping,
        #[OA\Property(enum: ['sum', 'average', 'never'])] public string $overMembers,
        #[OA\Property(enum: ['more', 'less'])] public string $better,
        #[OA\Property(description: 'whether that is only what the name tells')] public bool $isGuess,
    ) {}
}
