<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** A recipe made on other figures, as far as it fits these. */
#[OA\Schema]
final readonly class FittedJson
{
    /**
     * @param ?array<string, mixed> $recipe
     * @param list<AskJson> $asks
     */
    public function __construct(
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/Recipe'), new OA\Schema(type: 'null')])]
        public ?array $recipe,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Ask'))] public array $asks,
        #[OA\Property(description: 'Why it cannot be drawn where all is answered', nullable: true)]
        public ?string $problem,
    ) {}
}
