<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A closing period, and those that it moves to by a step. */
#[OA\Schema]
final readonly class ClosingStepJson
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $label,
        #[OA\Property(nullable: true)] public ?string $back,
        #[OA\Property(nullable: true)] public ?string $on,
    ) {}
}
