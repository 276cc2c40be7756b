<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** What a column of a file holds. */
#[OA\Schema]
final readonly class ColumnRoleJson
{
    public const OPTIONAL = ['scenario', 'measure', 'period'];

    public function __construct(
        #[OA\Property(
            enum: ['period', 'amount', 'scenario', 'measure', 'breakdown', 'unit', 'total', 'band', 'ignore'],
        )]
        public string $role,
        #[OA\Property(enum: ['AC', 'BU', 'FC', 'TG', 'PY'])] public ?string $scenario = null,
        #[OA\Property] public ?string $measure = null,
        #[OA\Property] public ?string $period = null,
    ) {}
}
