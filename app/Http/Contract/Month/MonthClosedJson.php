<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** One time that a month was closed. */
#[OA\Schema]
final readonly class MonthClosedJson
{
    /** @param list<string> $datasets names of those that moved */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $period,
        #[OA\Property] public string $label,
        #[OA\Property] public string $at,
        #[OA\Property] public string $who,
        #[OA\Property(nullable: true)] public ?string $undoneAt,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $datasets,
    ) {}
}
