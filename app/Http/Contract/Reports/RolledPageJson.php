<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What becomes of a page when the closing period moves. */
#[OA\Schema]
final readonly class RolledPageJson
{
    /**
     * @param list<RolledNumberJson> $numbers
     * @param list<string> $behind
     * @param list<string> $found
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/RolledNumber'))]
        public array $numbers,
        #[OA\Property(
            description: 'notes that stay with their month', type: 'array', items: new OA\Items(type: 'string'),
        )]
        public array $behind,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $found,
    ) {}
}
