<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** Something to settle before a report goes out. */
#[OA\Schema]
final readonly class ReportFindingJson
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property(enum: ['stale', 'check', 'trouble', 'missing', 'empty', 'full', 'closing'])]
        public string $kind,
        #[OA\Property] public string $page,
        #[OA\Property] public string $block,
        #[OA\Property] public string $says,
        #[OA\Property(nullable: true)] public ?int $number,
        #[OA\Property(nullable: true)] public ?string $now,
        #[OA\Property(nullable: true)] public ?string $exact,
        #[OA\Property(
            oneOf: [new OA\Schema(ref: '#/components/schemas/FindingAcceptance'), new OA\Schema(type: 'null')],
        )]
        public ?FindingAcceptanceJson $accepted,
    ) {}
}
