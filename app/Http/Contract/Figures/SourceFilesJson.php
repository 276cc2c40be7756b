<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** The files that amounts came from, with a page of the rows of each. */
#[OA\Schema]
final readonly class SourceFilesJson
{
    /**
     * @param list<SourceFileJson> $files
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/SourceFile'))]
        public array $files,
    ) {}
}
