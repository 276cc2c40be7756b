<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A report with all that its page needs besides its drawn pages. */
#[OA\Schema]
final readonly class ReportJson
{
    /**
     * @param list<ReportDatasetJson> $datasets
     * @param list<ReportBreakdownJson> $breakdowns
     * @param list<\KeenMargin\App\Http\Contract\Figures\ScenarioWordJson> $scenarios
     * @param list<\KeenMargin\App\Http\Contract\Figures\PeriodJson> $periods
     * @param list<\KeenMargin\App\Http\Contract\Charts\SentencePartJson> $about
     * @param list<ReportIssueBriefJson> $issues
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property] public string $sign,
        #[OA\Property(nullable: true)] public ?string $undo,
        #[OA\Property(nullable: true)] public ?string $redo,
        #[OA\Property] public string $title,
        #[OA\Property] public string $savedAt,
        #[OA\Property(description: 'as docs/recipe.md says', type: 'object', additionalProperties: true)]
        public object $document,
        #[OA\Property(description: 'the last change of a name that its names know of; saving tells it')]
        public int $names,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/ReportClosing'), new OA\Schema(type: 'null')])]
        public ?ReportClosingJson $closing,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ReportDataset'))]
        public array $datasets,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ReportBreakdown'))]
        public array $breakdowns,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ScenarioWord'))]
        public array $scenarios,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Period'))] public array $periods,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/SentencePart'))]
        public array $about,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ReportIssueBrief'))]
        public array $issues,
    ) {}
}
