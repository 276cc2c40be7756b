<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A member that stands for another. */
#[OA\Schema]
final readonly class MergedMemberJson
{
    public function __construct(#[OA\Property] public string $name, #[OA\Property] public string $into) {}
}
