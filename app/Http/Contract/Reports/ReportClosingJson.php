<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** The closing period of a report, and those beside it. */
#[OA\Schema]
final readonly class ReportClosingJson
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $label,
        #[OA\Property] public string $back,
        #[OA\Property] public string $on,
        #[OA\Property(description: 'whether it is the report’s own; else that of its datasets')]
        public bool $isPinned,
    ) {}
}
