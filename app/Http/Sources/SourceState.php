<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Sources;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Http\Contract\Sources\ScheduleJson as ToldSchedule;
use KeenMargin\App\Http\Contract\Sources\ScheduleTimesJson;
use KeenMargin\App\Http\Contract\Sources\SourceJson;
use KeenMargin\App\Sources\Kind\SourceKinds;
use KeenMargin\App\Sources\Schedule\Schedule;
use KeenMargin\App\Storage\Month\HolidayStore;
use KeenMargin\App\Storage\Record\ArrivalRecord;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\Core\Document\Given;
use Psr\Clock\ClockInterface;

/** A source as the API tells it. */
final readonly class SourceState
{
    private const NEXT_TIMES = 3;

    public function __construct(
        private EntityManagerInterface $manager,
        private SourceKinds $kinds,
        private HolidayStore $holidays,
        private ClockInterface $clock,
    ) {}

    public function of(SourceRecord $source): SourceJson
    {
        $schedule = Schedule::read(Given::kept($source->schedule));

        return new SourceJson(
            id: (int) $source->id,
            version: $source->version,
            dataset: (int) $source->dataset->id,
            datasetName: $source->dataset->name,
            name: $source->name,
            kind: $source->kind,
            place: $this->kinds->get($source->kind)->place($source->settings),
            settings: (object) $source->settings,
            hasSecret: null !== $source->secret,
            mapping: (object) $source->mapping,
            mode: $source->mode,
            schedule: new ToldSchedule(
                $schedule->every->value, $schedule->at, $schedule->zone, $schedule->days, $schedule->number,
            ),
            times: $this->times($schedule),
            takes: $source->takes,
            lookBack: $source->lookBack,
            state: $source->state,
            says: $source->says,
            triedAt: $source->triedAt?->format(\DateTimeInterface::ATOM),
            dueAt: $source->dueAt?->format(\DateTimeInterface::ATOM),
            waiting: $this->manager
                ->getRepository(ArrivalRecord::class)
                ->count(['source' => $source, 'state' => ArrivalRecord::WAITS]),
        );
    }

    public function times(Schedule $schedule): ScheduleTimesJson
    {
        $zone = new \DateTimeZone($schedule->zone);

        return new ScheduleTimesJson(
            $schedule->says(),
            array_map(
                static fn (\DateTimeImmutable $time): string => $time->setTimezone($zone)->format('Y-m-d H:i'),
                $schedule->nextTimes($this->clock->now(), $this->holidays->workingDays(), self::NEXT_TIMES),
            ),
        );
    }
}
