<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** Which breakdowns explain the variance of a question, the one that explains it best first. */
#[OA\Schema]
final readonly class ExplanationsJson
{
    /** @param list<ExplanationJson> $explanations */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Explanation'))]
        public array $explanations,
    ) {}
}
