<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What bringing a deck up to date would do to it; what has to be looked at comes first. */
#[OA\Schema]
final readonly class DeckChangesJson
{
    /** @param list<DeckChangeJson> $entries */
    public function __construct(
        #[OA\Property(items: new OA\Items(ref: DeckChangeJson::class))] public array $entries,
    ) {}
}
