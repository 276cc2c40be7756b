<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** An amount for each period; nothing is changed. */
#[OA\Schema]
final readonly class SpreadJson
{
    /**
     * @param list<string> $amounts
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $amounts,
    ) {}
}
