<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** What would come in, or which rows are refused. */
#[OA\Schema]
final readonly class TrialJson
{
    public const OPTIONAL = [
        'bands', 'says', 'refusals', 'refused', 'counts', 'facts', 'rows', 'without', 'periods', 'grain', 'ends',
        'scenarios', 'measures', 'breakdowns', 'near', 'notices',
    ];

    /**
     * @param list<string> $doubts
     * @param ?list<BandReadingJson> $bands
     * @param ?list<RefusalJson> $refusals
     * @param ?list<string> $scenarios
     * @param ?list<TrialMeasureJson> $measures
     * @param ?list<TrialBreakdownJson> $breakdowns
     * @param ?list<NearNameJson> $near
     * @param ?list<TrialNoticeJson> $notices
     */
    public function __construct(
        #[OA\Property] public bool $accepted,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(enum: ['decimal', 'dates', 'year', 'scale', 'periods', 'bands', 'percents']),
        )]
        public array $doubts,
        #[OA\Property(
            description: 'what each possible meaning makes of the bands of the first rows',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/BandReading'),
        )]
        public ?array $bands = null,
        #[OA\Property] public ?string $says = null,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Refusal'))]
        public ?array $refusals = null,
        #[OA\Property] public ?int $refused = null,
        #[OA\Property(ref: '#/components/schemas/Counts')] public ?CountsJson $counts = null,
        #[OA\Property] public ?int $facts = null,
        #[OA\Property] public ?int $rows = null,
        #[OA\Property] public ?int $without = null,
        #[OA\Property] public ?string $periods = null,
        #[OA\Property(enum: ['day', 'week', 'month', 'quarter', 'half-year', 'year', 'none'])]
        public ?string $grain = null,
        #[OA\Property(
            description: 'where actuals by day end within a month',
            oneOf: [new OA\Schema(ref: '#/components/schemas/MonthEnd'), new OA\Schema(type: 'null')],
        )]
        public ?MonthEndJson $ends = null,
        #[OA\Property(type: 'array', items: new OA\Items(enum: ['AC', 'BU', 'FC', 'TG', 'PY']))]
        public ?array $scenarios = null,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/TrialMeasure'))]
        public ?array $measures = null,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/TrialBreakdown'))]
        public ?array $breakdowns = null,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/NearName'))]
        public ?array $near = null,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/TrialNotice'))]
        public ?array $notices = null,
    ) {}
}
