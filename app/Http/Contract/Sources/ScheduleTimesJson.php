<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** A schedule in words, and the next times. */
#[OA\Schema]
final readonly class ScheduleTimesJson
{
    /** @param list<string> $next in the schedule's own time zone */
    public function __construct(
        #[OA\Property] public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $next,
    ) {}
}
