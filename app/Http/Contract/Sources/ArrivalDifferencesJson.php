<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** What an arrival would change in the dataset as it is now. */
#[OA\Schema]
final readonly class ArrivalDifferencesJson
{
    /**
     * @param list<string> $breakdowns
     * @param list<ChangedPeriodJson> $periods closed ones first
     * @param list<ChangedMemberJson> $members those that change most first
     * @param list<ChangedAmountJson> $amounts a part of all
     * @param int $all amounts that change
     */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Arrival')] public ArrivalJson $arrival,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $breakdowns,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ChangedPeriod'))]
        public array $periods,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ChangedMember'))]
        public array $members,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ChangedAmount'))]
        public array $amounts,
        #[OA\Property] public int $all,
    ) {}
}
