<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** What a trial has to say. */
#[OA\Schema]
final readonly class TrialNoticeJson
{
    public function __construct(#[OA\Property] public bool $holds, #[OA\Property] public string $says) {}
}
