<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** A total that an arrival moves. */
#[OA\Schema]
final readonly class ChangedPeriodJson
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $label,
        #[OA\Property] public string $measure,
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public string $scenario,
        #[OA\Property] public bool $isClosed,
        #[OA\Property] public bool $isNew,
        #[OA\Property(nullable: true)] public ?string $was,
        #[OA\Property] public string $is,
        #[OA\Property] public string $change,
        #[OA\Property] public int $amounts,
    ) {}
}
