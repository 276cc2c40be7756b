<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A column of amounts that are set by hand. */
#[OA\Schema]
final readonly class CellPeriodJson
{
    public const OPTIONAL = ['key'];

    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Scenario')] public string $scenario,
        #[OA\Property(description: 'Absent where the figures have no periods')] public ?string $key = null,
    ) {}
}
