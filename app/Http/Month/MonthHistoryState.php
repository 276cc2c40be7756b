<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Month;

use KeenMargin\App\Http\Contract\Month\MonthHistoryJson;
use KeenMargin\App\Http\Contract\Month\MonthHistoryRowJson;
use KeenMargin\App\Http\Contract\Month\MonthLatenessJson;
use KeenMargin\App\Storage\Month\Expectation;
use KeenMargin\App\Storage\Month\ExpectationStore;
use KeenMargin\App\Storage\Month\HolidayStore;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Time\DayKey;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\WorkingDays;

/** How late the figures of each dataset came over the last months, as the API tells it. */
final readonly class MonthHistoryState
{
    private const MONTHS = 12;

    public function __construct(
        private MonthDatasets $months,
        private OpenDatasets $datasets,
        private ExpectationStore $expectations,
        private HolidayStore $holidays,
    ) {}

    public function of(Period $month): MonthHistoryJson
    {
        $days = $this->holidays->workingDays();
        $months = array_map($month->moved(...), range(1 - self::MONTHS, 0));
        $expected = $this->expectations->all();
        $rows = [];
        foreach ($this->months->records() as $record) {
            $dataset = $this->datasets->figures($record)->dataset();
            foreach ($expected[(int) $record->id] ?? [] as $one) {
                $rows[] = new MonthHistoryRowJson(
                    (int) $record->id,
                    $record->name,
                    $one->scenario->value,
                    array_map(
                        fn (Period $of): MonthLatenessJson => $this->lateness(
                            (int) $record->id, $dataset, $one, $of, $days,
                        ),
                        $months,
                    ),
                );
            }
        }

        return new MonthHistoryJson(
            $rows,
            array_map(
                static fn (Period $of): array => ['key' => $of->key(), 'label' => PeriodNames::full($of)],
                $months,
            ),
        );
    }

    private function lateness(
        int $id,
        Dataset $dataset,
        Expectation $one,
        Period $month,
        WorkingDays $days,
    ): MonthLatenessJson {
        $came = MonthDatasets::ends($dataset, $month)
            ? $this->months->maybeCame($id, $one->scenario, $dataset, $month)
            : null;
        $due = $days->due($month->moved(1), $one->workingDay);

        return new MonthLatenessJson(
            $month->key(),
            null === $came ? null : $days->late($due, $came),
            null === $came ? null : DayKey::of($came),
        );
    }
}
