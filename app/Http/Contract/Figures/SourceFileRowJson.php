<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A row of a file. */
#[OA\Schema]
final readonly class SourceFileRowJson
{
    /**
     * @param list<string> $cells
     * @param list<string> $amounts
     */
    public function __construct(
        #[OA\Property] public int $row,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $cells,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $amounts,
    ) {}
}
