<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** How a measure is counted. */
#[OA\Schema]
final readonly class MeasureRuleJson
{
    public const OPTIONAL = ['unit', 'grouping', 'overMembers', 'better', 'numerator', 'denominator', 'factor'];

    public function __construct(
        #[OA\Property] public ?string $unit = null,
        #[OA\Property] public ?string $grouping = null,
        #[OA\Property] public ?string $overMembers = null,
        #[OA\Property(enum: ['more', 'less'])] public ?string $better = null,
        #[OA\Property] public ?string $numerator = null,
        #[OA\Property] public ?string $denominator = null,
        #[OA\Property] public ?int $factor = null,
    ) {}
}
