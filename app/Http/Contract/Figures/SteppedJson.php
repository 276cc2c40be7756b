<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** What was undone or done again, and the pulse after it. */
#[OA\Schema]
final readonly class SteppedJson
{
    public function __construct(
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/Step'), new OA\Schema(type: 'null')])]
        public ?StepJson $step,
        #[OA\Property] public int $version,
        #[OA\Property] public int $revision,
        #[OA\Property(nullable: true)] public ?string $undo,
        #[OA\Property(nullable: true)] public ?string $redo,
        #[OA\Property] public int $undoId,
    ) {}
}
