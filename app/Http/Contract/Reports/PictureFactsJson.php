<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** What a picture of a report tells, for pages that embed it. */
#[OA\Schema]
final readonly class PictureFactsJson
{
    public function __construct(
        #[OA\Property] public string $title,
        #[OA\Property(description: 'one or two sentences about what it shows')] public string $summary,
        #[OA\Property(description: 'in points, as its height')] public float $width,
        #[OA\Property] public float $height,
        #[OA\Property(
            description: 'the last closed period that it shows; null: its figures have no time', nullable: true,
        )] public ?string $closed,
    ) {}
}
