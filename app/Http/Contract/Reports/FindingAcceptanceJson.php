<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** That something is left as it is. */
#[OA\Schema]
final readonly class FindingAcceptanceJson
{
    public function __construct(
        #[OA\Property] public string $reason,
        #[OA\Property] public string $who,
        #[OA\Property] public string $at,
    ) {}
}
