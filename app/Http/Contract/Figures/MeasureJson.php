<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A measure of a dataset. */
#[OA\Schema]
final readonly class MeasureJson
{
    /** @param list<KeptBandsJson> $bands */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $unit,
        #[OA\Property] public bool $inPoints,
        #[OA\Property] public int $decimals,
        #[OA\Property(description: 'over periods', enum: ['sum', 'average', 'last', 'rate', 'ratio'])]
        public string $grouping,
        #[OA\Property(enum: ['sum', 'average', 'never'])] public string $overMembers,
        #[OA\Property(enum: ['more', 'less'], nullable: true)] public ?string $better,
        #[OA\Property(
            description: 'what the name tells, where nobody has said it', enum: ['more', 'less'], nullable: true,
        )]
        public ?string $betterGuess,
        #[OA\Property(nullable: true)] public ?string $numerator,
        #[OA\Property(nullable: true)] public ?string $denominator,
        #[OA\Property(description: 'from 0, where its amounts are the limits of bands', nullable: true)]
        public ?int $band,
        #[OA\Property(
            description: 'that its values are judged by',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/KeptBands'),
        )]
        public array $bands,
    ) {}
}
