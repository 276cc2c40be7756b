<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** A report that stands on the datasets of a month. */
#[OA\Schema]
final readonly class MonthReportJson
{
    /** @param list<string> $waitsFor names of datasets that are not complete */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $title,
        #[OA\Property] public int $pages,
        #[OA\Property] public string $closing,
        #[OA\Property] public bool $isPinned,
        #[OA\Property(nullable: true)] public ?int $settle,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $waitsFor,
    ) {}
}
