<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** What a chart says in words and a few numbers. */
#[OA\Schema]
final readonly class SummaryJson
{
    /**
     * @param list<MoverJson> $movers
     * @param list<list<SaidJson>> $sentences
     */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Headline')] public HeadlineJson $headline,
        #[OA\Property(description: 'heads the movers')] public string $moves,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Mover'))] public array $movers,
        #[OA\Property(
            type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(ref: '#/components/schemas/Said')),
        )]
        public array $sentences,
    ) {}
}
