<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** An amount as it was and as it would be. */
#[OA\Schema]
final readonly class ChangedAmountJson
{
    /** @param list<string> $members one for each breakdown */
    public function __construct(
        #[OA\Property] public string $measure,
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public string $scenario,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $members,
        #[OA\Property] public string $period,
        #[OA\Property] public string $label,
        #[OA\Property] public bool $isClosed,
        #[OA\Property(nullable: true)] public ?string $was,
        #[OA\Property(nullable: true)] public ?string $is,
        #[OA\Property] public string $change,
    ) {}
}
