<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** The same after a step. */
#[OA\Schema]
final readonly class ReportSteppedJson
{
    public function __construct(
        #[OA\Property] public int $version,
        #[OA\Property] public string $sign,
        #[OA\Property(nullable: true)] public ?string $undo,
        #[OA\Property(nullable: true)] public ?string $redo,
        #[OA\Property(description: 'what was undone or done again', nullable: true)] public ?string $step,
    ) {}
}
