<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A report as it went out. */
#[OA\Schema]
final readonly class IssuedReportJson
{
    /**
     * @param list<IssuedPageJson> $pages
     * @param list<IssuedSourceJson> $sources
     */
    public function __construct(
        #[OA\Property] public int $number,
        #[OA\Property] public string $title,
        #[OA\Property] public string $closing,
        #[OA\Property] public string $at,
        #[OA\Property] public string $who,
        #[OA\Property] public int $report,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/IssuedPage'))]
        public array $pages,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/IssuedSource'))]
        public array $sources,
    ) {}
}
