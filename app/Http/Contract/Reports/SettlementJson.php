<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What has to be settled in a report, and what holds. */
#[OA\Schema]
final readonly class SettlementJson
{
    /**
     * @param list<ReportFindingJson> $findings
     * @param list<string> $holds
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ReportFinding'))]
        public array $findings,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $holds,
    ) {}
}
