<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A row of a table of figures. */
#[OA\Schema]
final readonly class FigureRowJson
{
    /**
     * @param list<string> $cells
     */
    public function __construct(
        #[OA\Property] public string $member,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $cells,
        #[OA\Property] public string $total,
        #[OA\Property] public int $depth,
        #[OA\Property] public bool $isGroup,
    ) {}
}
