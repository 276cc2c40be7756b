<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** Numbers that a text may take. */
#[OA\Schema]
final readonly class NumberOffersJson
{
    /**
     * @param list<NumberOfferJson> $items
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/NumberOffer'))]
        public array $items,
    ) {}
}
