<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** Why a failing check is accepted, by whom and when. */
#[OA\Schema]
final readonly class AcceptanceJson
{
    public function __construct(
        #[OA\Property(description: 'Of the figure that was accepted')] public string $mark,
        #[OA\Property] public string $reason,
        #[OA\Property] public string $who,
        #[OA\Property] public string $at,
    ) {}
}
