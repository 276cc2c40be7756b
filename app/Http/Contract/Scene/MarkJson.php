<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Scene;

use OpenApi\Attributes as OA;

/** A chart before any renderer: marks in points from the top left, with the names of their inks. */
#[OA\Schema]
final readonly class MarkJson
{
    public const OPTIONAL = [
        'role', 'key', 'of', 'marks', 'x', 'y', 'width', 'height', 'x1', 'y1', 'x2', 'y2', 'radius', 'points', 'fill',
        'stroke', 'thickness', 'dash', 'text', 'size', 'anchor', 'weight',
    ];

    /**
     * @param ?list<MarkJson> $marks
     * @param ?list<array{float, float}> $points
     */
    public function __construct(
        #[OA\Property(enum: ['rect', 'line', 'circle', 'path', 'text', 'group'])] public string $type,
        #[OA\Property] public ?string $role = null,
        #[OA\Property] public ?string $key = null,
        #[OA\Property] public ?string $of = null,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Mark'))]
        public ?array $marks = null,
        #[OA\Property] public ?float $x = null,
        #[OA\Property] public ?float $y = null,
        #[OA\Property] public ?float $width = null,
        #[OA\Property] public ?float $height = null,
        #[OA\Property] public ?float $x1 = null,
        #[OA\Property] public ?float $y1 = null,
        #[OA\Property] public ?float $x2 = null,
        #[OA\Property] public ?float $y2 = null,
        #[OA\Property] public ?float $radius = null,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'), minItems: 2, maxItems: 2),
        )]
        public ?array $points = null,
        #[OA\Property] public ?string $fill = null,
        #[OA\Property] public ?string $stroke = null,
        #[OA\Property] public ?float $thickness = null,
        #[OA\Property] public ?string $dash = null,
        #[OA\Property] public ?string $text = null,
        #[OA\Property] public ?float $size = null,
        #[OA\Property(enum: ['start', 'middle', 'end'])] public ?string $anchor = null,
        #[OA\Property] public ?float $weight = null,
    ) {}
}
