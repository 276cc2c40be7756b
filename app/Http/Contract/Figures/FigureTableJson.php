<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** Figures with members down and periods across. */
#[OA\Schema]
final readonly class FigureTableJson
{
    /**
     * @param list<PeriodJson> $periods
     * @param list<string> $into
     * @param list<?string> $shown
     * @param list<FigureRowJson> $rows
     */
    public function __construct(
        #[OA\Property] public string $measure,
        #[OA\Property] public string $unit,
        #[OA\Property(nullable: true)] public ?string $by,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Period'))] public array $periods,
        #[OA\Property(
            description: 'the scenario that an amount set in each period belongs to',
            type: 'array',
            items: new OA\Items(enum: ['AC', 'BU', 'FC', 'TG', 'PY']),
        )]
        public array $into,
        #[OA\Property(
            description: 'the scenario of each period',
            type: 'array',
            items: new OA\Items(type: 'string', enum: ['AC', 'BU', 'FC', 'TG', 'PY'], nullable: true),
        )]
        public array $shown,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/FigureRow'))] public array $rows,
        #[OA\Property(ref: '#/components/schemas/FigureTotal')] public FigureTotalJson $total,
        #[OA\Property(description: 'place of the first of these rows among all')] public int $from,
        #[OA\Property(description: 'why the amounts cannot be changed here', nullable: true)] public ?string $fixed,
        #[OA\Property] public int $count,
    ) {}
}
