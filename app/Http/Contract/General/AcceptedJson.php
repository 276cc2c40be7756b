<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\General;

use OpenApi\Attributes as OA;

/** A request that takes longer: Location says where to ask for it. */
#[OA\Schema]
final readonly class AcceptedJson
{
    public function __construct(#[OA\Property(ref: '#/components/schemas/Job')] public JobJson $job) {}
}
