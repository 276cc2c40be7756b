<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** Which scenario has figures for which period; days and weeks stand together as months. */
#[OA\Schema]
final readonly class CoverageStripJson
{
    /**
     * @param list<StripPeriodJson> $periods
     */
    public function __construct(
        #[OA\Property(
            description: 'each with the key of its fiscal year and of its last finest period',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/StripPeriod'),
        )]
        public array $periods,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string')),
        )]
        public object $has,
        #[OA\Property(nullable: true)] public ?string $closing,
    ) {}
}
