<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A slot with nothing set, which has no place of its own in the sentence. */
#[OA\Schema]
final readonly class SentenceOfferJson
{
    public function __construct(#[OA\Property] public string $text, #[OA\Property] public string $slot) {}
}
