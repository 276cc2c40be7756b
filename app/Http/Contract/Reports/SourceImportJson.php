<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** An import that figures came from. */
#[OA\Schema]
final readonly class SourceImportJson
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $at,
        #[OA\Property] public string $digest,
    ) {}
}
