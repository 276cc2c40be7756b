<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** The workings, every number written out. */
#[OA\Schema]
final readonly class WorkingsTableJson
{
    /**
     * @param list<WorkingsColumnJson> $columns
     * @param list<WorkingsRowJson> $rows
     * @param list<WorkingsSumJson> $sums
     */
    public function __construct(
        #[OA\Property] public string $unit,
        #[OA\Property(description: 'heads the names of rows')] public string $rowsAre,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingsColumn'))]
        public array $columns,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingsRow'))]
        public array $rows,
        #[OA\Property(description: 'rows that follow those that were asked for')] public int $more,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingsSum'))]
        public array $sums,
    ) {}
}
