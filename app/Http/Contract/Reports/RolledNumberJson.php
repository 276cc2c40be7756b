<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A number of a text that will be another one. */
#[OA\Schema]
final readonly class RolledNumberJson
{
    public function __construct(
        #[OA\Property] public string $block,
        #[OA\Property] public string $was,
        #[OA\Property(nullable: true)] public ?string $becomes,
        #[OA\Property] public bool $follows,
        #[OA\Property] public string $from,
    ) {}
}
