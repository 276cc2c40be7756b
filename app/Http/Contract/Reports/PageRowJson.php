<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A row of the workings of a chart on a page. */
#[OA\Schema]
final readonly class PageRowJson
{
    /**
     * @param list<PageRowNumberJson> $numbers
     */
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $label,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/PageRowNumber'))]
        public array $numbers,
    ) {}
}
