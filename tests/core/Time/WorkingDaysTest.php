<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Time;

use KeenMargin\Core\Time\DayKey;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\WorkingDays;
use PHPUnit\Framework\TestCase;

final class WorkingDaysTest extends TestCase
{
    private static function day(string $key): int
    {
        return Period::of($key)->firstDay();
    }

    public function testWeekdaysAreThoseOfTheCalendar(): void
    {
        self::assertSame([2, 7, 4, 3], array_map(
            static fn (string $key): int => WorkingDays::weekday(self::day($key)),
            ['2026-09-01', '2026-09-06', '1970-01-01', '1969-12-31'],
        ));
    }

    /** The fifth working day of September 2026 is Monday the 7th; with the 2nd off, Tuesday the 8th. */
    public function testTheNthWorkingDayStepsOverWeekendsAndHolidays(): void
    {
        $plain = new WorkingDays();
        $off = new WorkingDays([self::day('2026-09-02') => 'Island Days']);
        $september = Period::month(2026, 9);
        self::assertSame('2026-09-07', DayKey::of((int) $plain->maybeNth($september, 5)));
        self::assertSame('2026-09-08', DayKey::of((int) $off->maybeNth($september, 5)));
        self::assertSame([4, 4, 5], array_map($plain->numberInMonth(...), [
            self::day('2026-09-04'), self::day('2026-09-06'), self::day('2026-09-07'),
        ]));
        self::assertSame(0, $plain->numberInMonth(self::day('2026-08-02')));
    }

    /** August 2026 has 21 working days: whatever is due on the 23rd is due on the last one. */
    public function testAMonthWithoutSoManyWorkingDaysHasItsLastOne(): void
    {
        $days = new WorkingDays();
        self::assertNull($days->maybeNth(Period::month(2026, 8), 23));
        self::assertSame('2026-08-31', DayKey::of($days->due(Period::month(2026, 8), 23)));
        self::assertSame('2026-05-29', DayKey::of($days->due(Period::month(2026, 5), 23)));
    }

    public function testLateIsCountedInWorkingDays(): void
    {
        $days = new WorkingDays();
        $friday = self::day('2026-09-04');
        self::assertSame([0, 0, 1, 2], array_map(
            static fn (string $day): int => $days->late($friday, self::day($day)),
            ['2026-09-03', '2026-09-06', '2026-09-07', '2026-09-08'],
        ));
    }

    public function testTheNthDayIsTheNthOfAllMonthsAndHolidays(): void
    {
        mt_srand(29);
        for ($round = 0; $round < 200; ++$round) {
            $month = Period::month(mt_rand(2000, 2100), mt_rand(1, 12));
            $off = [];
            for ($i = mt_rand(0, 6); $i > 0; --$i) {
                $off[mt_rand($month->firstDay(), $month->lastDay())] = 'off';
            }
            $days = new WorkingDays($off);
            $count = $days->between($month->firstDay(), $month->lastDay());
            for ($number = 1; $number <= $count; ++$number) {
                $day = (int) $days->maybeNth($month, $number);
                self::assertTrue($days->isWorking($day));
                self::assertSame($number, $days->numberInMonth($day));
            }
            self::assertNull($days->maybeNth($month, $count + 1));
        }
    }
}
