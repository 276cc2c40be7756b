<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** Which members of a breakdown explain a variance, and the bridge that shows it. */
#[OA\Schema]
final readonly class ExplanationJson
{
    /** @param array<string, mixed> $recipe */
    public function __construct(
        #[OA\Property(description: 'such as: 2 of 6 routes explain 80 %: North, Outer')] public string $says,
        #[OA\Property(ref: '#/components/schemas/Recipe')] public array $recipe,
    ) {}
}
