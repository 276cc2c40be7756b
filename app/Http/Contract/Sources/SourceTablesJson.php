<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** The tables of a database. */
#[OA\Schema]
final readonly class SourceTablesJson
{
    /** @param list<SourceTableJson> $items */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/SourceTable'))] public array $items,
    ) {}
}
