<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** What the reading of files has to say about a dataset. */
#[OA\Schema]
final readonly class DatasetNoticeJson
{
    public const OPTIONAL = ['members'];

    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public bool $holds,
        #[OA\Property] public string $says,
        #[OA\Property(
            description: 'That it is about, by breakdown',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string')),
        )]
        public ?object $members = null,
    ) {}
}
