<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A change of the question; null for a key that is left out from now on. */
#[OA\Schema]
final readonly class SlotChangeJson
{
    public function __construct(#[OA\Property(type: 'object')] public object $change) {}
}
