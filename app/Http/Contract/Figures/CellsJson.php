<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A rectangle of amounts: an empty text clears, null leaves what is there. */
#[OA\Schema]
final readonly class CellsJson
{
    public const OPTIONAL = ['by', 'where', 'was', 'newRows', 'decimal'];

    /**
     * @param list<string> $rows
     * @param list<CellPeriodJson> $periods
     * @param list<list<?string>> $amounts
     * @param ?list<list<?string>> $was
     */
    public function __construct(
        #[OA\Property] public string $measure,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $rows,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/CellPeriod'))]
        public array $periods,
        #[OA\Property(
            type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'string', nullable: true)),
        )]
        public array $amounts,
        #[OA\Property(description: 'The breakdown whose members go down')] public ?string $by = null,
        #[OA\Property(
            description: 'One member of each other breakdown',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )]
        public ?object $where = null,
        #[OA\Property(
            description: 'Each must still be what it was',
            type: 'array',
            items: new OA\Items(type: 'array', items: new OA\Items(type: 'string', nullable: true)),
        )]
        public ?array $was = null,
        #[OA\Property] public ?bool $newRows = null,
        #[OA\Property(enum: ['.', ','])] public ?string $decimal = null,
    ) {}
}
