<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A period by its key and in words. */
#[OA\Schema]
final readonly class PeriodJson
{
    public function __construct(#[OA\Property] public string $key, #[OA\Property] public string $label) {}
}
