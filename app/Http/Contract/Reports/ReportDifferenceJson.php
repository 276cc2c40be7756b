<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** Something that is otherwise than in an issued report. */
#[OA\Schema]
final readonly class ReportDifferenceJson
{
    public function __construct(
        #[OA\Property(
            enum: ['number', 'restated', 'question', 'measure', 'title', 'message', 'text', 'note', 'chart', 'page'],
        )]
        public string $kind,
        #[OA\Property] public string $page,
        #[OA\Property] public string $block,
        #[OA\Property] public string $what,
        #[OA\Property(nullable: true)] public ?string $was,
        #[OA\Property(nullable: true)] public ?string $is,
    ) {}
}
