<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** Figures of a scenario that a month waits for. */
#[OA\Schema]
final readonly class ExpectedFiguresJson
{
    public function __construct(
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public string $scenario,
        #[OA\Property] public int $workingDay,
        #[OA\Property] public string $due,
        #[OA\Property] public string $whom,
        #[OA\Property(nullable: true)] public ?int $source,
        #[OA\Property] public string $sourceName,
        #[OA\Property(enum: ['came', 'late', 'expected', 'does not come'])] public string $state,
        #[OA\Property(description: 'null: not yet, or the day is not known', nullable: true)] public ?string $came,
        #[OA\Property(description: 'working day on which it came, 0 for before the first', nullable: true)]
        public ?int $cameOn,
        #[OA\Property] public int $late,
        #[OA\Property] public string $why,
    ) {}
}
