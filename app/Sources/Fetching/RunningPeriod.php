<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Fetching;

use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** The period by which a dataset is closed that a day lies in: of figures without periods and by day, its month. */
final readonly class RunningPeriod
{
    public function __construct(private Grain $grain, private FiscalCalendar $calendar) {}

    public static function of(DatasetRecord $dataset): self
    {
        $grain = Grain::from($dataset->grain);
        $isOfMonths = \in_array($grain, [Grain::Day, Grain::Timeless], true);

        return new self($isOfMonths ? Grain::Month : $grain, new FiscalCalendar($dataset->firstMonth));
    }

    public function on(\DateTimeImmutable $day): Period
    {
        return Period::ofStart(Grain::Day, self::day($day))->group($this->grain, $this->calendar);
    }

    /** @return int counted from 1 January 1970 */
    public static function day(\DateTimeImmutable $day): int
    {
        [$year, $month, $number] = array_map(intval(...), explode('-', $day->format('Y-m-d')));

        return CivilDate::number($year, $month, $number);
    }
}
