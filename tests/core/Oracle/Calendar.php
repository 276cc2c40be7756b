<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

/**
 * Periods by their first day, `2026-01-31`, reckoned with the dates of PHP alone. Nothing of the program's own time is
 * used.
 */
final readonly class Calendar
{
    private const MONTHS = ['month' => 1, 'quarter' => 3, 'half-year' => 6, 'year' => 12];

    public function __construct(public int $firstMonth = 1) {}

    /** The first day of the period of a grain that a day is in. */
    public function start(string $day, string $grain): string
    {
        if ('day' === $grain) {
            return $day;
        }
        if ('week' === $grain) {
            return self::moved($day, '-'.((int) (new \DateTimeImmutable($day))->format('N') - 1).' days');
        }
        [$year, $month] = array_map(intval(...), explode('-', $day));
        $sinceStart = ($month - $this->firstMonth + 12) % 12;
        $back = $sinceStart % self::MONTHS[$grain];

        return self::moved(\sprintf('%04d-%02d-01', $year, $month), "-$back months");
    }

    /** The first day of the next period. */
    public function next(string $start, string $grain): string
    {
        return self::moved(
            $start,
            match ($grain) {
                'day' => '+1 day',
                'week' => '+7 days',
                default => '+'.self::MONTHS[$grain].' months',
            },
        );
    }

    /** The first day of an earlier or later period. */
    public function shifted(string $start, string $grain, int $count): string
    {
        $one = ['day' => 'days', 'week' => 'weeks'][$grain] ?? 'months';

        return self::moved($start, \sprintf('%+d %s', $count * (self::MONTHS[$grain] ?? 1), $one));
    }

    public function end(string $start, string $grain): string
    {
        return self::moved($this->next($start, $grain), '-1 day');
    }

    /** The day that decides which longer period one belongs to: a week is where its Thursday is. */
    public function decisive(string $start, string $grain): string
    {
        return 'week' === $grain ? self::moved($start, '+3 days') : $start;
    }

    /** The first day of the longer period that one belongs to. */
    public function group(string $start, string $grain, string $by): string
    {
        return $grain === $by ? $start : $this->start($this->decisive($start, $grain), $by);
    }

    /** @return list<string> all periods of a grain that belong to a stretch of days */
    public function belonging(string $grain, string $from, string $to): array
    {
        $periods = [];
        for ($start = $this->start($from, $grain); $start <= $to; $start = $this->next($start, $grain)) {
            $decisive = 'week' === $grain ? $this->decisive($start, $grain) : max($start, $from);
            if ($decisive >= $from && $decisive <= $to) {
                $periods[] = $start;
            }
        }

        return $periods;
    }

    /** @return list<string> all periods of a grain that have a day in the stretch */
    public function touching(string $grain, string $from, string $to): array
    {
        $periods = [];
        for ($start = $this->start($from, $grain); $start <= $to; $start = $this->next($start, $grain)) {
            $periods[] = $start;
        }

        return $periods;
    }

    /** As recipes and workings write it. */
    public function key(string $start, string $grain): string
    {
        $day = new \DateTimeImmutable($start);
        [$year, $month] = array_map(intval(...), explode('-', $start));
        $fiscal = $year + ($this->firstMonth > 1 && $month >= $this->firstMonth ? 1 : 0);
        $name = (1 === $this->firstMonth ? '' : 'FY').$fiscal;
        $since = ($month - $this->firstMonth + 12) % 12;

        return match ($grain) {
            'day' => $start,
            'week' => $day->format('o-\WW'),
            'month' => substr($start, 0, 7),
            'quarter' => "$name-Q".(intdiv($since, 3) + 1),
            'half-year' => "$name-H".(intdiv($since, 6) + 1),
            default => $name,
        };
    }

    /** @return list<string> periods of the year before that count as the prior year of one */
    public function priorYear(string $start, string $grain): array
    {
        if ('week' === $grain) {
            [$year, $week] = array_map(intval(...), explode('-', (new \DateTimeImmutable($start))->format('o-W')));
            $earlier = (new \DateTimeImmutable())->setISODate($year - 1, $week)->format('Y-m-d');

            return $this->key($earlier, 'week') === \sprintf('%d-W%02d', $year - 1, $week) ? [$earlier] : [];
        }
        $earlier = (int) substr($start, 0, 4) - 1 .substr($start, 4);
        if ('day' !== $grain) {
            return [$earlier];
        }
        if (str_ends_with($start, '-02-29')) {
            return [];
        }
        $isLeapBefore = '29' === (new \DateTimeImmutable(substr($earlier, 0, 4).'-02-01'))->format('t');

        return str_ends_with($start, '-02-28') && $isLeapBefore ? [$earlier, substr($earlier, 0, 8).'29'] : [$earlier];
    }

    private static function moved(string $day, string $by): string
    {
        return (new \DateTimeImmutable($day))->modify($by)->format('Y-m-d');
    }
}
