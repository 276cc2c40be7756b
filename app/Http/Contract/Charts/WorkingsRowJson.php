<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A row of the workings, its numbers written out. */
#[OA\Schema]
final readonly class WorkingsRowJson
{
    /**
     * @param string|array<string, string|true|int|list<string>> $ref
     */
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property(description: 'as recipes write it', ref: '#/components/schemas/RowRef')]
        public string|array $ref,
        #[OA\Property] public string $label,
        #[OA\Property(enum: [
            'row', 'other', 'group', 'total', 'landing', 'start', 'step', 'subtotal', 'end', 'unexplained', 'new',
            'gone',
        ])]
        public string $role,
        #[OA\Property] public int $depth,
        #[OA\Property(description: 'of several charts of a kind, the one that it stands in')] public string $panel,
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'], nullable: true)] public ?string $shown,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string'))]
        public object $cells,
        #[OA\Property(
            description: 'by column: of what is written as nought there is none',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(
                type: 'string', enum: ['favourable', 'unfavourable', 'neutral'], nullable: true,
            ),
        )]
        public object $effects,
        #[OA\Property(
            description: 'by reference: which periods are compared where the row has others',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )]
        public object $only,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'boolean'))]
        public object $flags,
        #[OA\Property(description: 'by the first reference')] public bool $flagged,
    ) {}
}
