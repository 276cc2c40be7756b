<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** A table of a database, to choose from. */
#[OA\Schema]
final readonly class SourceTableJson
{
    /** @param list<string> $columns */
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $columns,
    ) {}
}
