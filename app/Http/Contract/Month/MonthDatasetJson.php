<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** A dataset in a month that is to be closed. */
#[OA\Schema]
final readonly class MonthDatasetJson
{
    /**
     * @param list<ExpectedFiguresJson> $expected
     * @param list<\KeenMargin\App\Http\Contract\Sources\ArrivalJson> $waiting
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $closedThrough,
        #[OA\Property] public bool $isClosed,
        #[OA\Property(
            description: 'what it would be closed through; null: it has no period that ends by then', nullable: true,
        )]
        public ?string $closing,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ExpectedFigures'))]
        public array $expected,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Arrival'))]
        public array $waiting,
        #[OA\Property(nullable: true)] public ?int $failing,
        #[OA\Property] public string $says,
        #[OA\Property(enum: ['holds', 'look', 'quiet'])] public string $tone,
    ) {}
}
