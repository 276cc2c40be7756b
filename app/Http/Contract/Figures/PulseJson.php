<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** Changes whenever anything in a dataset does; with what can be undone and done again. */
#[OA\Schema]
final readonly class PulseJson
{
    public function __construct(
        #[OA\Property] public int $version,
        #[OA\Property] public int $revision,
        #[OA\Property(nullable: true)] public ?string $undo,
        #[OA\Property(nullable: true)] public ?string $redo,
        #[OA\Property(description: 'number of the last change that can be undone; 0 where there is none')]
        public int $undoId,
    ) {}
}
