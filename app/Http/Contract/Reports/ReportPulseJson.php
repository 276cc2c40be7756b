<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** Whether a report, its charts or its figures changed, and the next steps back and on. */
#[OA\Schema]
final readonly class ReportPulseJson
{
    public function __construct(
        #[OA\Property] public int $version,
        #[OA\Property] public string $sign,
        #[OA\Property(nullable: true)] public ?string $undo,
        #[OA\Property(nullable: true)] public ?string $redo,
    ) {}
}
