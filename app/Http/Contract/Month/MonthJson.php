<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Month;

use OpenApi\Attributes as OA;

/** What a month waits for. */
#[OA\Schema]
final readonly class MonthJson
{
    /**
     * @param int $today working day of the month after it; 0 before its first
     * @param int $lastDay working day on which the last figures are expected
     * @param list<MonthHeadlinePartJson> $headline
     * @param list<MonthDayJson> $days
     * @param list<MonthDatasetJson> $datasets
     * @param list<MonthReportJson> $reports
     * @param ?MonthClosedJson $closedBefore when the month before was closed
     */
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $label,
        #[OA\Property] public string $back,
        #[OA\Property] public string $on,
        #[OA\Property] public string $daysOf,
        #[OA\Property] public int $today,
        #[OA\Property] public int $lastDay,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MonthHeadlinePart'))]
        public array $headline,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MonthDay'))]
        public array $days,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MonthDataset'))]
        public array $datasets,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MonthReport'))]
        public array $reports,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/MonthClosed'), new OA\Schema(type: 'null')])]
        public ?MonthClosedJson $closed,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/MonthClosed'), new OA\Schema(type: 'null')])]
        public ?MonthClosedJson $closedBefore,
    ) {}
}
