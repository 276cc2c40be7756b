<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A number that a text may take. */
#[OA\Schema]
final readonly class NumberOfferJson
{
    /**
     * @param array<string, mixed>|string $row
     */
    public function __construct(
        #[OA\Property] public string $of,
        #[OA\Property] public string $what,
        #[OA\Property] public string $says,
        #[OA\Property] public string $said,
        #[OA\Property] public string $unit,
        #[OA\Property(ref: '#/components/schemas/RowRef')] public array|string $row,
        #[OA\Property] public bool $isClosing,
        #[OA\Property] public string $column,
        #[OA\Property] public string $exact,
    ) {}
}
