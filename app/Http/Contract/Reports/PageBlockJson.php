<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A block where it stands on its page, in points. */
#[OA\Schema]
final readonly class PageBlockJson
{
    public const OPTIONAL = ['dataset', 'recipe'];

    /**
     * @param list<\KeenMargin\App\Http\Contract\Scene\MarkJson> $marks
     * @param list<string> $cannot
     * @param list<PageRowJson> $rows
     * @param list<string> $summary
     * @param list<string> $failing
     * @param array<string, mixed>|null $recipe
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $row,
        #[OA\Property(enum: ['chart', 'figures', 'text'])] public string $kind,
        #[OA\Property] public float $left,
        #[OA\Property] public float $top,
        #[OA\Property] public float $width,
        #[OA\Property] public float $height,
        #[OA\Property(description: 'points of the page for a point of the chart')] public float $scale,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/Scene'), new OA\Schema(type: 'null')])]
        public ?\KeenMargin\App\Http\Contract\Scene\SceneJson $scene,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Mark'))] public array $marks,
        #[OA\Property(description: 'why a chart cannot be drawn', nullable: true)] public ?string $trouble,
        #[OA\Property(
            description: 'what of its page a chart cannot follow', type: 'array', items: new OA\Items(type: 'string'),
        )]
        public array $cannot,
        #[OA\Property(description: 'of a chart that is kept under one')] public string $name,
        #[OA\Property] public bool $isEmpty,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/PageRow'))] public array $rows,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $summary,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $failing,
        #[OA\Property] public ?string $dataset = null,
        #[OA\Property(description: 'as it is asked on the page', ref: '#/components/schemas/Recipe')]
        public ?array $recipe = null,
    ) {}
}
