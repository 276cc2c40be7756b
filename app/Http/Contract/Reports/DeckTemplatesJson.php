<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Reports;

use OpenApi\Attributes as OA;

/** The template that all slides are made in. */
#[OA\Schema]
final readonly class DeckTemplatesJson
{
    public function __construct(
        #[OA\Property(description: 'null: slides have none', nullable: true)] public ?UsedTemplateJson $template,
    ) {}
}
