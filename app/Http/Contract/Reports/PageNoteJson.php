<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A note in the margin of a page. */
#[OA\Schema]
final readonly class PageNoteJson
{
    public function __construct(
        #[OA\Property] public int $number,
        #[OA\Property] public string $text,
        #[OA\Property] public int $id,
        #[OA\Property] public string $block,
    ) {}
}
