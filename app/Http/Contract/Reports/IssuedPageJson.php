<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A page as it went out: on its sheet, and as a column. */
#[OA\Schema]
final readonly class IssuedPageJson
{
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/ReportPage')] public ReportPageJson $sheet,
        #[OA\Property(ref: '#/components/schemas/ReportPage')] public ReportPageJson $column,
    ) {}
}
