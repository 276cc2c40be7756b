<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A page as it prints, in points. */
#[OA\Schema]
final readonly class ReportPageJson
{
    /**
     * @param list<\KeenMargin\App\Http\Contract\Scene\MarkJson> $message
     * @param list<\KeenMargin\App\Http\Contract\Scene\MarkJson> $frame
     * @param list<PageBlockJson> $blocks
     * @param list<PageNoteJson> $notes
     * @param list<\KeenMargin\App\Http\Contract\Charts\SentencePartJson> $about
     * @param list<\KeenMargin\App\Http\Contract\Charts\CheckJson> $checks
     * @param list<PageNumberJson> $numbers
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property] public int $number,
        #[OA\Property] public int $of,
        #[OA\Property] public float $width,
        #[OA\Property] public float $height,
        #[OA\Property] public float $left,
        #[OA\Property] public float $contentWidth,
        #[OA\Property] public float $messageBottom,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Mark'))] public array $message,
        #[OA\Property] public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Mark'))] public array $frame,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/PageBlock'))]
        public array $blocks,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/PageNote'))] public array $notes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/SentencePart'))]
        public array $about,
        #[OA\Property(description: 'by how much it is too full', nullable: true)] public ?string $over,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Check'))] public array $checks,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/PageNumber'))]
        public array $numbers,
    ) {}
}
