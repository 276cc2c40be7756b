<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** Words of a statement; a name or a number also tells its row. */
#[OA\Schema]
final readonly class SaidJson
{
    public const OPTIONAL = ['row', 'ref', 'column', 'is', 'exact'];

    /**
     * @param string|array<string, string|true|int|list<string>> $ref
     */
    public function __construct(
        #[OA\Property] public string $text,
        #[OA\Property(description: 'key of the row in the drawing')] public ?string $row = null,
        #[OA\Property(description: 'the row as recipes write it; of numbers', ref: '#/components/schemas/RowRef')]
        public string|array|null $ref = null,
        #[OA\Property] public ?string $column = null,
        #[OA\Property(description: 'as the workings have it')] public ?string $is = null,
        #[OA\Property] public ?string $exact = null,
    ) {}
}
