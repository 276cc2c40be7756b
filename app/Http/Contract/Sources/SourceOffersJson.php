<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** What a source can be made of here. */
#[OA\Schema]
final readonly class SourceOffersJson
{
    /**
     * @param list<string> $folders that files may be taken from
     * @param list<string> $zones time zones
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $folders,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $zones,
    ) {}
}
