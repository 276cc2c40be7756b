<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A number of a row, as pointing tells it. */
#[OA\Schema]
final readonly class PageRowNumberJson
{
    public function __construct(#[OA\Property] public string $head, #[OA\Property] public string $is) {}
}
