<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What changed since an issued report. */
#[OA\Schema]
final readonly class ReportChangesJson
{
    /**
     * @param list<ReportDifferenceJson> $differences
     */
    public function __construct(
        #[OA\Property] public int $from,
        #[OA\Property] public string $to,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ReportDifference'))]
        public array $differences,
    ) {}
}
