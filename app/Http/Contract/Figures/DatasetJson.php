<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** A dataset with all that questions can be made of. */
#[OA\Schema]
final readonly class DatasetJson
{
    public const OPTIONAL_OR_NULL = ['failing'];

    /**
     * @param list<string> $scenarios
     * @param list<string> $ownGrains
     * @param list<MeasureJson> $measures
     * @param list<BreakdownJson> $breakdowns
     * @param list<ScenarioWordJson> $references
     * @param list<string> $grains
     * @param list<PeriodJson> $periodList
     * @param list<PeriodJson> $years
     * @param ?PeriodJson $nextYear null: without periods, or empty
     * @param list<PeriodJson> $closings
     * @param ?array<string, mixed> $firstRecipe
     * @param list<DatasetNoticeJson> $notices
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property] public string $name,
        #[OA\Property] public string $organisation,
        #[OA\Property] public int $facts,
        #[OA\Property(description: 'names and amounts without periods')] public bool $isList,
        #[OA\Property] public string $periods,
        #[OA\Property(type: 'array', items: new OA\Items(enum: ['AC', 'BU', 'FC', 'TG', 'PY']))]
        public array $scenarios,
        #[OA\Property] public string $closedThrough,
        #[OA\Property] public string $usedAt,
        #[OA\Property] public int $revision,
        #[OA\Property] public int $firstMonth,
        #[OA\Property(
            description: 'the finest grain that questions are offered',
            enum: ['day', 'week', 'month', 'quarter', 'half-year', 'year', 'none'],
        )]
        public string $finest,
        #[OA\Property(
            description: 'all that the figures can be shown in',
            type: 'array',
            items: new OA\Items(enum: ['day', 'week', 'month', 'quarter', 'half-year', 'year']),
        )]
        public array $ownGrains,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Measure'))]
        public array $measures,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Breakdown'))]
        public array $breakdowns,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ScenarioWord'))]
        public array $references,
        #[OA\Property(
            type: 'array', items: new OA\Items(enum: ['day', 'week', 'month', 'quarter', 'half-year', 'year']),
        )]
        public array $grains,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Period'))]
        public array $periodList,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Period'))] public array $years,
        #[OA\Property(
            description: 'the fiscal year after the last one, which has no figures yet',
            oneOf: [new OA\Schema(ref: '#/components/schemas/Period'), new OA\Schema(type: 'null')],
        )]
        public ?PeriodJson $nextYear,
        #[OA\Property(description: 'a list that says how it is drawn: by its start, subtotals and end, or its bands')]
        public bool $isStaged,
        #[OA\Property(
            description: 'measures that a value is the product of, where the figures have them',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
            nullable: true,
        )]
        public ?object $drivers,
        #[OA\Property] public string $closing,
        #[OA\Property(
            description: 'the periods that the books are closed through by steps; of days the months',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/Period'),
        )]
        public array $closings,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/ClosingStep'), new OA\Schema(type: 'null')])]
        public ?ClosingStepJson $closingStep,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe'), new OA\Schema(type: 'null')])]
        public ?array $firstRecipe,
        #[OA\Property(enum: ['day', 'week', 'month', 'quarter', 'half-year', 'year', 'none'])] public string $grain,
        #[OA\Property(ref: '#/components/schemas/CoverageStrip')] public CoverageStripJson $strip,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/DatasetNotice'))]
        public array $notices,
        #[OA\Property(
            description: 'checks that fail; none where they have not been made since the last change', nullable: true,
        )]
        public ?int $failing = null,
    ) {}
}
