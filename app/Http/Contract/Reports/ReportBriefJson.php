<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What the list of reports tells of one. */
#[OA\Schema]
final readonly class ReportBriefJson
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property] public string $title,
        #[OA\Property] public string $organisation,
        #[OA\Property] public string $savedAt,
        #[OA\Property] public int $pages,
        #[OA\Property(enum: ['16:9', 'A4 across', 'A4 upright'])] public string $sheet,
        #[OA\Property] public int $charts,
        #[OA\Property] public string $closing,
        #[OA\Property] public bool $isPinned,
        #[OA\Property(description: 'what the picture was drawn from')] public string $pictured,
        #[OA\Property(description: 'how much has to be settled; null: not looked up yet', nullable: true)]
        public ?int $settle,
        #[OA\Property(
            oneOf: [new OA\Schema(ref: '#/components/schemas/ReportIssueBrief'), new OA\Schema(type: 'null')],
        )]
        public ?ReportIssueBriefJson $issued,
        #[OA\Property(description: 'why it cannot be opened; null: it can', nullable: true)] public ?string $trouble,
    ) {}
}
