<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** A piece of what a month waits for, in words. */
#[OA\Schema]
final readonly class MonthHeadlinePartJson
{
    public function __construct(
        #[OA\Property] public string $text,
        #[OA\Property(enum: ['', 'files', 'decisions'])] public string $about,
    ) {}
}
