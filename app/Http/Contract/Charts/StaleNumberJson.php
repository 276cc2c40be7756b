<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A number of a message that is another by now. */
#[OA\Schema]
final readonly class StaleNumberJson
{
    /**
     * @param string|array<string, string|true|int|list<string>> $ref
     */
    public function __construct(
        #[OA\Property] public string $said,
        #[OA\Property] public string $now,
        #[OA\Property] public string $row,
        #[OA\Property(ref: '#/components/schemas/RowRef')] public string|array $ref,
        #[OA\Property] public string $column,
        #[OA\Property(nullable: true)] public ?string $exact,
    ) {}
}
