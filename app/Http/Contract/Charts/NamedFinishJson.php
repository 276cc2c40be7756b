<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A finish that is kept under a name. */
#[OA\Schema]
final readonly class NamedFinishJson
{
    /**
     * @param list<int> $charts
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property] public string $name,
        #[OA\Property(ref: '#/components/schemas/Finish')] public object $finish,
        #[OA\Property] public bool $isDefault,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'integer'))] public array $charts,
    ) {}
}
