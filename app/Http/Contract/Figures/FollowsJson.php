<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** What would follow from a change of settings. */
#[OA\Schema]
final readonly class FollowsJson
{
    /**
     * @param list<string> $follows
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $follows,
        #[OA\Property] public bool $isHarmful,
    ) {}
}
