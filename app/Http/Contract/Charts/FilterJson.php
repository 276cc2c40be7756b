<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/**
 * Members of a breakdown or whole groups (`in`, `notIn`), or sizes of a measure or of a breakdown of numbers (`below`,
 * `atLeast`).
 */
#[OA\Schema]
final readonly class FilterJson
{
    public const OPTIONAL = ['in', 'notIn', 'below', 'atLeast'];

    /**
     * @param ?list<string> $in
     * @param ?list<string> $notIn
     */
    public function __construct(
        #[OA\Property] public string $field,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public ?array $in = null,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public ?array $notIn = null,
        #[OA\Property] public ?string $below = null,
        #[OA\Property] public ?string $atLeast = null,
    ) {}
}
