<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What would change if the closing period moved. */
#[OA\Schema]
final readonly class RollPreviewJson
{
    /**
     * @param list<string> $moves
     * @param list<RolledPageJson> $pages
     */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Period')] public \KeenMargin\App\Http\Contract\Figures\PeriodJson $to,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $moves,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/RolledPage'))]
        public array $pages,
    ) {}
}
