<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A scenario by its code and as it stands within a sentence. */
#[OA\Schema]
final readonly class ScenarioWordJson
{
    public function __construct(
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public string $code,
        #[OA\Property] public string $word,
    ) {}
}
