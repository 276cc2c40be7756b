<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Schedule;

use Cron\CronExpression;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\WorkingDays;

/** When figures are fetched: how often, at what time of which time zone. */
final readonly class Schedule
{
    private const WEEKDAYS = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
    private const MOST_WORKING_DAYS = 23;
    /** Times that are tried: holidays in a row, and months without an n-th working day. */
    private const TRIES = 500;

    /**
     * @param string $at `06:30`; of an hourly one its minutes alone count
     * @param string $zone of IANA: `Europe/Berlin`
     * @param list<int> $days of the week, 1 for Monday
     * @param int $number of the working day of the month, from 1
     */
    private function __construct(
        public Every $every,
        public string $at,
        public string $zone,
        public array $days,
        public int $number,
    ) {}

    /** @throws NotAccepted */
    public static function read(Given $given): self
    {
        $given->object(['every', 'at', 'zone', 'days', 'number']);
        $every = $given->maybe('every')?->enum(Every::class) ?? Every::Asked;
        $at = $given->maybe('at')?->string(5) ?? '06:00';
        if (1 !== preg_match('/^(?:[01]\d|2[0-3]):[0-5]\d$/D', $at)) {
            throw new NotAccepted('at', "\"$at\" is not a time; give one such as 06:30.");
        }
        $zone = $given->maybe('zone')?->string(60) ?? 'UTC';
        if (!\in_array($zone, \DateTimeZone::listIdentifiers(), true)) {
            throw new NotAccepted('zone', "\"$zone\" is not a time zone; give one such as Europe/Berlin.");
        }
        $days = array_map(static fn (Given $day): int => $day->int(1, 7), $given->maybe('days')?->list() ?? []);
        $days = array_values(array_unique($days));
        sort($days);
        if (Every::Week === $every && [] === $days) {
            throw new NotAccepted('days', 'Give at least one day of the week.');
        }

        return new self(
            $every,
            $at,
            $zone,
            Every::Week === $every ? $days : [],
            $given->maybe('number')?->int(1, self::MOST_WORKING_DAYS) ?? 1,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['every' => $this->every->value, 'at' => $this->at, 'zone' => $this->zone] +
            (Every::Week === $this->every ? ['days' => $this->days] : []) +
            (Every::Month === $this->every ? ['number' => $this->number] : []);
    }

    /** `on the 3rd working day of the month at 06:30` */
    public function says(): string
    {
        $days = array_map(static fn (int $day): string => self::WEEKDAYS[$day], $this->days);

        return match ($this->every) {
            Every::Asked => 'when it is asked for',
            Every::Hour => 'each hour, '.(int) substr($this->at, 3).' minutes past',
            Every::WorkingDay => "each working day at $this->at",
            Every::Week => 'on '.Wording::and($days)." at $this->at",
            Every::Month => 'on the '.Wording::nth($this->number)." working day of the month at $this->at",
        };
    }

    /**
     * The next time after a moment.
     *
     * @return ?\DateTimeImmutable in UTC; null where it is never due by itself
     */
    public function maybeNext(\DateTimeImmutable $after, WorkingDays $days): ?\DateTimeImmutable
    {
        if (Every::Asked === $this->every) {
            return null;
        }
        $cron = new CronExpression($this->cron());
        $next = \DateTime::createFromImmutable($after->setTimezone(new \DateTimeZone($this->zone)));
        for ($i = 0; $i < self::TRIES; ++$i) {
            $next = $cron->getNextRunDate($next, 0, false, $this->zone);
            $month = [(int) $next->format('Y'), (int) $next->format('n')];
            $day = CivilDate::number(...[...$month, (int) $next->format('j')]);
            $isDue = match ($this->every) {
                Every::WorkingDay => $days->isWorking($day),
                Every::Month => $day === $days->due(Period::month(...$month), $this->number),
                default => true,
            };
            if ($isDue) {
                return \DateTimeImmutable::createFromMutable($next)->setTimezone(new \DateTimeZone('UTC'));
            }
        }

        return null;
    }

    /** @return list<\DateTimeImmutable> in UTC */
    public function nextTimes(\DateTimeImmutable $after, WorkingDays $days, int $count): array
    {
        $times = [];
        while (\count($times) < $count && null !== ($next = $this->maybeNext($after, $days))) {
            $times[] = $after = $next;
        }

        return $times;
    }

    private function cron(): string
    {
        [$hour, $minute] = array_map(intval(...), explode(':', $this->at));

        return match ($this->every) {
            Every::Hour => "$minute * * * *",
            Every::Week => "$minute $hour * * ".implode(',', $this->days),
            default => "$minute $hour * * *",
        };
    }
}
