<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A breakdown that pages may be filtered by. */
#[OA\Schema]
final readonly class ReportBreakdownJson
{
    /**
     * @param list<string> $members
     */
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $members,
    ) {}
}
