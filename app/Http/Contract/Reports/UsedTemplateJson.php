<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** A template of slides, and how it is used. */
#[OA\Schema]
final readonly class UsedTemplateJson
{
    /**
     * @param list<string> $layouts
     * @param array<string, string> $colours
     * @param array<string, string> $roles
     */
    public function __construct(
        #[OA\Property(description: 'of its file')] public string $name,
        #[OA\Property(description: 'that pages are put on')] public string $layout,
        #[OA\Property(
            description: 'that have a title and a body, the most suitable first', items: new OA\Items(type: 'string'),
        )] public array $layouts,
        #[OA\Property(
            description: 'of the theme, by name',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )] public array $colours,
        #[OA\Property(
            description: 'names of colours by role',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )] public array $roles,
        #[OA\Property(description: 'what a slide looks like, roughly, as SVG')] public string $picture,
    ) {}
}
