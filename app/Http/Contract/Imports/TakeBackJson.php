<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** What taking an import back does. */
#[OA\Schema]
final readonly class TakeBackJson
{
    /**
     * @param list<string> $examples
     */
    public function __construct(
        #[OA\Property] public int $gone,
        #[OA\Property] public int $restored,
        #[OA\Property] public int $overwritten,
        #[OA\Property(
            description: 'some of what was overwritten, by name', type: 'array', items: new OA\Items(type: 'string'),
        )]
        public array $examples,
    ) {}
}
