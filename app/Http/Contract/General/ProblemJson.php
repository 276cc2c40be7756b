<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\General;

use KeenMargin\App\Http\Contract\Imports\RefusalJson;
use OpenApi\Attributes as OA;

/** Why a request was refused, and what to do. */
#[OA\Schema]
final readonly class ProblemJson
{
    public const OPTIONAL = ['type', 'path', 'refusals', 'refused', 'current', 'isBusy'];

    /**
     * @param ?list<RefusalJson> $refusals
     */
    public function __construct(
        #[OA\Property] public string $title,
        #[OA\Property] public int $status,
        #[OA\Property] public string $detail,
        #[OA\Property] public ?string $type = null,
        #[OA\Property(description: 'Of the bad value')] public ?string $path = null,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Refusal'))]
        public ?array $refusals = null,
        #[OA\Property] public ?int $refused = null,
        #[OA\Property(description: 'The state that the request was not based on', type: 'object')]
        public ?object $current = null,
        #[OA\Property(
            description: 'Not carried out, as another writer holds everybody up: the same request does in a moment',
        )]
        public ?bool $isBusy = null,
    ) {}
}
