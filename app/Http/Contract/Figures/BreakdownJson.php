<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A breakdown of a dataset with its members. */
#[OA\Schema]
final readonly class BreakdownJson
{
    /**
     * @param list<string> $members
     * @param list<MergedMemberJson> $merged
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property(
            description: 'each group before what stands in it', type: 'array', items: new OA\Items(type: 'string'),
        )]
        public array $members,
        #[OA\Property(
            description: 'the group of each member that stands in one',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )]
        public object $parents,
        #[OA\Property(
            description: 'of each group all members within it that are no groups themselves',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string')),
        )]
        public object $leaves,
        #[OA\Property(
            type: 'object', additionalProperties: new OA\AdditionalProperties(enum: ['adds', 'takes away', 'subtotal']),
        )]
        public object $roles,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MergedMember'))]
        public array $merged,
        #[OA\Property] public bool $isNumeric,
    ) {}
}
