<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A dataset of an issued report, as it was. */
#[OA\Schema]
final readonly class IssuedSourceJson
{
    /**
     * @param list<SourceImportJson> $imports
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public int $version,
        #[OA\Property] public int $revision,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/SourceImport'))]
        public array $imports,
    ) {}
}
