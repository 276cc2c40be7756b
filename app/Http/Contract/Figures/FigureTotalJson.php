<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** The totals of a table of figures. */
#[OA\Schema]
final readonly class FigureTotalJson
{
    /**
     * @param list<string> $cells
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $cells,
        #[OA\Property] public string $total,
    ) {}
}
