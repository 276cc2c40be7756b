<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A number of a text as it is now. */
#[OA\Schema]
final readonly class PageNumberJson
{
    public function __construct(
        #[OA\Property(description: 'id of the text’s block; blank: the message')] public string $in,
        #[OA\Property(description: 'which number of the text, from 0')] public int $place,
        #[OA\Property] public string $said,
        #[OA\Property] public string $shown,
        #[OA\Property(nullable: true)] public ?string $now,
        #[OA\Property(nullable: true)] public ?string $exact,
        #[OA\Property] public bool $isStale,
        #[OA\Property] public string $from,
    ) {}
}
