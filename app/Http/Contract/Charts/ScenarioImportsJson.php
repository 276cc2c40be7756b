<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** The imports that a scenario's figures of a row came with. */
#[OA\Schema]
final readonly class ScenarioImportsJson
{
    /**
     * @param list<ImportOfJson> $imports
     */
    public function __construct(
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public string $scenario,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ImportOf'))]
        public array $imports,
    ) {}
}
