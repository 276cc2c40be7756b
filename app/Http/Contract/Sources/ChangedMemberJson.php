<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** A member whose amounts an arrival changes. */
#[OA\Schema]
final readonly class ChangedMemberJson
{
    public function __construct(
        #[OA\Property] public string $breakdown,
        #[OA\Property] public string $member,
        #[OA\Property] public string $measure,
        #[OA\Property] public bool $isNew,
        #[OA\Property(nullable: true)] public ?string $like,
        #[OA\Property] public string $change,
        #[OA\Property] public int $amounts,
    ) {}
}
