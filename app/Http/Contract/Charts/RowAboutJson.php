<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** Where a row's numbers came from, and where to go from it. */
#[OA\Schema]
final readonly class RowAboutJson
{
    /**
     * @param list<WayDeeperJson> $deeper
     * @param ?array<string, mixed> $without
     * @param list<ScenarioImportsJson> $scenarios
     * @param list<RowChangeJson> $changes
     */
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $label,
        #[OA\Property] public bool $canNote,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/WayDeeper'))]
        public array $deeper,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe'), new OA\Schema(type: 'null')])]
        public ?array $without,
        #[OA\Property] public string $whyNot,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ScenarioImports'))]
        public array $scenarios,
        #[OA\Property(
            description: 'what the kind lets a reader change at the row',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/RowChange'),
        )]
        public array $changes,
    ) {}
}
