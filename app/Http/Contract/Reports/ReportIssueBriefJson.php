<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What a list tells of an issued report. */
#[OA\Schema]
final readonly class ReportIssueBriefJson
{
    public function __construct(
        #[OA\Property] public int $number,
        #[OA\Property] public string $title,
        #[OA\Property(description: 'blank where its figures have no time')] public string $closing,
        #[OA\Property] public string $at,
        #[OA\Property] public string $who,
    ) {}
}
