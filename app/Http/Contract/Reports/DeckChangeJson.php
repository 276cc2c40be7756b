<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What an update does with something in a deck. */
#[OA\Schema]
final readonly class DeckChangeJson
{
    public function __construct(
        #[OA\Property(enum: ['stale', 'kept', 'gone', 'new', 'changed'])] public string $kind,
        #[OA\Property(description: 'its number, from 1; nought: the deck')] public int $slide,
        #[OA\Property] public string $what,
        #[OA\Property] public string $says,
    ) {}
}
