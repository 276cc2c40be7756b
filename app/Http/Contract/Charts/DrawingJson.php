<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use KeenMargin\App\Http\Contract\Figures\ClosingStepJson;
use KeenMargin\App\Http\Contract\Scene\SceneJson;
use OpenApi\Attributes as OA;

/** A chart: its sentence, scene, summary, checks and workings. */
#[OA\Schema]
final readonly class DrawingJson
{
    public const OPTIONAL = ['beside', 'names'];

    /**
     * @param array<string, mixed> $recipe
     * @param list<SentencePartJson> $sentence
     * @param list<CheckJson> $checks
     * @param list<KindJson> $kinds
     * @param list<StaleNumberJson> $stale
     * @param list<RowNoteJson> $notes
     */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Recipe')] public array $recipe,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/SentencePart'))]
        public array $sentence,
        #[OA\Property(enum: ['more', 'less'])] public string $better,
        #[OA\Property(ref: '#/components/schemas/ClosingStep')] public ClosingStepJson $closing,
        #[OA\Property(ref: '#/components/schemas/Scene')] public SceneJson $scene,
        #[OA\Property(ref: '#/components/schemas/Summary')] public SummaryJson $summary,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Check'))] public array $checks,
        #[OA\Property(ref: '#/components/schemas/WorkingsTable')] public WorkingsTableJson $workings,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Kind'))] public array $kinds,
        #[OA\Property(
            description: 'numbers of the message that are others now',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/StaleNumber'),
        )]
        public array $stale,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/RowNote'))] public array $notes,
        #[OA\Property(
            description: 'what was written about the same rows a year before',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(
                type: 'array', items: new OA\Items(ref: '#/components/schemas/Note'),
            ),
        )]
        public object $earlier,
        #[OA\Property(description: 'the last change of a name that its names know of; of the first only')]
        public ?int $names = null,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/Drawing'), new OA\Schema(type: 'null')])]
        public ?self $beside = null,
    ) {}
}
