<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A way to draw, what the figures lack for it, and the question that it would ask of them. */
#[OA\Schema]
final readonly class KindJson
{
    /**
     * @param list<array<string, mixed>> $glyph as Mark
     * @param ?array<string, mixed> $question
     * @param list<string> $options
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $group,
        #[OA\Property] public string $says,
        #[OA\Property(
            description: 'the kind in small, 26 × 20 points',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/Mark'),
        )]
        public array $glyph,
        #[OA\Property(nullable: true)] public ?string $lacks,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/Question'), new OA\Schema(type: 'null')])]
        public ?array $question,
        #[OA\Property(ref: '#/components/schemas/RowChoices')] public RowChoicesJson $rows,
        #[OA\Property(
            description: 'keys of the finish that it has a use for, besides those of every kind',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $options,
        #[OA\Property(enum: ['both', 'amount', 'percent'], nullable: true)] public ?string $usualVariance,
    ) {}
}
