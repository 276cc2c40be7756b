<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A dataset that charts of a report are of. */
#[OA\Schema]
final readonly class ReportDatasetJson
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $organisation,
        #[OA\Property] public string $grain,
        #[OA\Property] public string $closing,
    ) {}
}
