<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** What a dataset expects each month. */
#[OA\Schema]
final readonly class ExpectedJson
{
    public const OPTIONAL_OR_NULL = ['whom', 'source'];

    public function __construct(
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public string $scenario,
        #[OA\Property] public int $workingDay,
        #[OA\Property] public string $whom = '',
        #[OA\Property(nullable: true)] public ?int $source = null,
    ) {}
}
