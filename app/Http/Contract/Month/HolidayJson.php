<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** A day off besides weekends. */
#[OA\Schema]
final readonly class HolidayJson
{
    public function __construct(#[OA\Property] public string $day, #[OA\Property] public string $name) {}
}
