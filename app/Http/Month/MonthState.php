<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Month;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Http\Contract\Month\MonthClosedJson;
use KeenMargin\App\Http\Contract\Month\MonthDatasetJson;
use KeenMargin\App\Http\Contract\Month\MonthDayJson;
use KeenMargin\App\Http\Contract\Month\MonthJson;
use KeenMargin\App\Sources\Fetching\RunningPeriod;
use KeenMargin\App\Storage\Month\HolidayStore;
use KeenMargin\App\Storage\Month\MonthClosing;
use KeenMargin\App\Storage\Month\MonthClosings;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Time\DayKey;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\WorkingDays;
use Psr\Clock\ClockInterface;

/** What a month waits for, as the API tells it. */
final readonly class MonthState
{
    /** Working days that are shown at least. */
    private const FEWEST_DAYS = 8;
    private const MOST_DAYS = 23;
    private const WEEKDAYS = [1 => 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

    public function __construct(
        private EntityManagerInterface $manager,
        private MonthDatasets $datasets,
        private MonthReports $reports,
        private MonthClosings $closings,
        private HolidayStore $holidays,
        private ClockInterface $clock,
    ) {}

    /** The month that is over. */
    public function last(): Period
    {
        $today = $this->clock->now();

        return Period::month((int) $today->format('Y'), (int) $today->format('n'))->moved(-1);
    }

    public function of(Period $month): MonthJson
    {
        $days = $this->holidays->workingDays();
        $today = RunningPeriod::day($this->clock->now());
        $datasets = $this->datasets->of($month, $days, $today);
        $after = $month->moved(1);
        $isWithin = $today >= $after->firstDay() && $today <= $after->lastDay();
        $lastDay = self::lastDay($datasets);

        return new MonthJson(
            key: $month->key(),
            label: PeriodNames::spelledOut($month).' '.$month->yearNumber(),
            back: $month->moved(-1)->key(),
            on: $after->key(),
            daysOf: PeriodNames::spelledOut($after),
            today: $isWithin ? $days->numberInMonth($today) : 0,
            lastDay: $lastDay,
            headline: MonthPhrases::headline($month, $datasets),
            days: self::days(
                $days,
                $after,
                max(self::FEWEST_DAYS, $lastDay, $isWithin ? $days->numberInMonth($today) : 0),
                $today,
            ),
            datasets: $datasets,
            reports: $this->reports->of($datasets),
            closed: $this->maybeClosed($this->closings->maybeLast($month->key())),
            closedBefore: $this->maybeClosed($this->closings->maybeLast($month->moved(-1)->key())),
        );
    }

    public function maybeClosed(?MonthClosing $closing): ?MonthClosedJson
    {
        if (null === $closing) {
            return null;
        }
        $records = $this->manager->getRepository(DatasetRecord::class)->findBy(['id' => array_keys($closing->moved)]);

        return new MonthClosedJson(
            id: $closing->id,
            period: $closing->period,
            label: PeriodNames::spelledOut(Period::of($closing->period)),
            at: $closing->at,
            who: $closing->who,
            undoneAt: $closing->undoneAt,
            datasets: array_map(static fn (DatasetRecord $record): string => $record->name, $records),
        );
    }

    /** @param list<MonthDatasetJson> $datasets */
    private static function lastDay(array $datasets): int
    {
        $last = 0;
        foreach ($datasets as $dataset) {
            foreach ($dataset->expected as $expected) {
                $last = max($last, $expected->workingDay);
            }
        }

        return $last;
    }

    /** @return list<MonthDayJson> */
    private static function days(WorkingDays $days, Period $after, int $count, int $today): array
    {
        $told = [];
        for ($number = 1; $number <= min($count, self::MOST_DAYS); ++$number) {
            $day = $days->maybeNth($after, $number);
            if (null !== $day) {
                $told[] = new MonthDayJson(
                    $number, DayKey::of($day), self::WEEKDAYS[WorkingDays::weekday($day)], $day === $today,
                );
            }
        }

        return $told;
    }
}
