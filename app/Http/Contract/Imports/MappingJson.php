<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** How a file is read. */
#[OA\Schema]
final readonly class MappingJson
{
    public const OPTIONAL = [
        'measure', 'year', 'leaveOut', 'measures', 'sameAs', 'totals', 'header', 'sheet', 'bands', 'percents', 'grain',
        'lines', 'closedThrough',
    ];

    /**
     * @param ?list<int> $leaveOut
     */
    public function __construct(
        #[OA\Property(
            type: 'object', additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/ColumnRole'),
        )]
        public object $columns,
        #[OA\Property(enum: ['.', ','])] public string $decimal,
        #[OA\Property(enum: ['day first', 'month first'])] public string $dates,
        #[OA\Property] public int $fiscalYearStarts,
        #[OA\Property] public ?string $measure = null,
        #[OA\Property] public ?int $year = null,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'integer'))] public ?array $leaveOut = null,
        #[OA\Property(
            type: 'object', additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/MeasureRule'),
        )]
        public ?object $measures = null,
        #[OA\Property(
            type: 'object', additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/NameMap'),
        )]
        public ?object $sameAs = null,
        #[OA\Property(enum: ['keep', 'leave out'])] public ?string $totals = null,
        #[OA\Property(ref: '#/components/schemas/HeaderPlace')] public ?HeaderPlaceJson $header = null,
        #[OA\Property] public ?string $sheet = null,
        #[OA\Property(enum: ['limits', 'increments', 'percent of target'])] public ?string $bands = null,
        #[OA\Property(description: 'what plain numbers beside percentages mean', enum: ['points', 'fractions'])]
        public ?string $percents = null,
        #[OA\Property(description: 'Of the dataset that the figures are to join')] public ?string $grain = null,
        #[OA\Property(description: 'What the lines of a statement do', type: 'object')] public ?object $lines = null,
        #[OA\Property(description: 'The last period whose actuals are final')] public ?string $closedThrough = null,
    ) {}
}
