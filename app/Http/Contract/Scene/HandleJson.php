<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Scene;

use OpenApi\Attributes as OA;

/** Something that a reader may move on the chart, and where amounts are. */
#[OA\Schema]
final readonly class HandleJson
{
    /** @param array{float, float}|null $centre */
    public function __construct(
        #[OA\Property(enum: ['target', 'goal', 'limit'])] public string $of,
        #[OA\Property(description: 'of a limit, from 0', type: 'integer')] public int $place,
        #[OA\Property] public string $label,
        #[OA\Property] public string $amount,
        #[OA\Property(description: 'that amounts are moved by')] public string $step,
        #[OA\Property(description: 'that it must stay above', nullable: true)] public ?string $least,
        #[OA\Property(description: 'that it must stay below', nullable: true)] public ?string $most,
        #[OA\Property(description: 'whether amounts run from left to right')] public bool $isHorizontal,
        #[OA\Property(description: 'where nought is, in points; on a ring in degrees')] public float $zero,
        #[OA\Property(description: 'points of one of the unit; on a ring degrees')] public float $perUnit,
        #[OA\Property(description: 'where its line across begins; on a ring the inner radius')] public float $from,
        #[OA\Property(description: 'where it ends; on a ring the outer radius')] public float $to,
        #[OA\Property(description: 'of the band that ends at a limit', nullable: true)] public ?string $name,
        #[OA\Property(
            description: 'of a ring; null where it is moved along a line',
            type: 'array',
            items: new OA\Items(type: 'number'),
            minItems: 2,
            maxItems: 2,
            nullable: true,
        )]
        public ?array $centre,
    ) {}
}
