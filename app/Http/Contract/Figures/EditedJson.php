<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** How many amounts were changed by hand, and the pulse after it. */
#[OA\Schema]
final readonly class EditedJson
{
    public function __construct(
        #[OA\Property] public int $changed,
        #[OA\Property] public int $version,
        #[OA\Property] public int $revision,
        #[OA\Property(nullable: true)] public ?string $undo,
        #[OA\Property(nullable: true)] public ?string $redo,
        #[OA\Property] public int $undoId,
    ) {}
}
