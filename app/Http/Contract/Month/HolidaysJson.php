<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** Days off besides weekends. */
#[OA\Schema]
final readonly class HolidaysJson
{
    /** @param list<HolidayJson> $items in calendar order */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Holiday'))]
        public array $items,
    ) {}
}
