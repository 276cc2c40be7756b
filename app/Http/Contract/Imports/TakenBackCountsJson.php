<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** What taking an import back did. */
#[OA\Schema]
final readonly class TakenBackCountsJson
{
    public function __construct(
        #[OA\Property] public int $gone,
        #[OA\Property] public int $restored,
        #[OA\Property] public int $overwritten,
    ) {}
}
