<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A file that amounts came from, with a page of its rows. */
#[OA\Schema]
final readonly class SourceFileJson
{
    public const OPTIONAL = ['first', 'hasMore'];

    /**
     * @param list<string> $columns
     * @param list<SourceFileRowJson> $rows
     */
    public function __construct(
        #[OA\Property] public int $import,
        #[OA\Property] public string $name,
        #[OA\Property] public string $at,
        #[OA\Property] public int $facts,
        #[OA\Property] public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $columns,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/SourceFileRow'))]
        public array $rows,
        #[OA\Property(description: 'of this page, counted from 1')] public ?int $first = null,
        #[OA\Property] public ?bool $hasMore = null,
    ) {}
}
