<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\App\Sources\Fetching\Pauses;
use KeenMargin\App\Sources\Kind\Due;
use KeenMargin\App\Sources\Schedule\Schedule;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\WorkingDays;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** When sources are due, in which time zone, and for which periods they are asked. */
final class ScheduleTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string, list<string>}> */
    public static function schedules(): iterable
    {
        $oslo = ['zone' => 'Europe/Oslo', 'at' => '06:30'];
        yield 'only when asked' => [['every' => 'asked'], 'when it is asked for', []];
        yield 'each hour' => [
            ['every' => 'hour', 'at' => '00:20'], 'each hour, 20 minutes past',
            ['2026-09-04T10:20', '2026-09-04T11:20', '2026-09-04T12:20'],
        ];
        yield 'each working day, over a weekend and a holiday' => [
            ['every' => 'working day'] + $oslo, 'each working day at 06:30',
            ['2026-09-08T04:30', '2026-09-09T04:30', '2026-09-10T04:30'],
        ];
        yield 'on days of the week' => [
            ['every' => 'week', 'days' => [7, 3]] + $oslo, 'on Wednesday and Sunday at 06:30',
            ['2026-09-06T04:30', '2026-09-09T04:30', '2026-09-13T04:30'],
        ];
        yield 'on a working day of the month, over the end of summer time' => [
            ['every' => 'month', 'number' => 5] + $oslo, 'on the 5th working day of the month at 06:30',
            ['2026-09-08T04:30', '2026-10-07T04:30', '2026-11-06T05:30'],
        ];
        yield 'a day that few months have' => [
            ['every' => 'month', 'number' => 23] + $oslo, 'on the 23rd working day of the month at 06:30',
            ['2026-09-30T04:30', '2026-10-30T05:30', '2026-11-30T05:30'],
        ];
    }

    /**
     * @param array<string, mixed> $told
     * @param list<string> $next
     */
    #[DataProvider('schedules')]
    public function testTheNextTimes(array $told, string $says, array $next): void
    {
        $schedule = Schedule::read(Given::kept($told));
        $days = new WorkingDays([Period::of('2026-09-07')->firstDay() => 'Harbour Day']);
        $times = $schedule->nextTimes(new \DateTimeImmutable('2026-09-04 09:30 UTC'), $days, 3);
        self::assertSame($next, array_map(
            static fn (\DateTimeImmutable $time): string => $time->format('Y-m-d\TH:i'),
            $times,
        ));
        self::assertSame($says, $schedule->says());
        self::assertEquals($schedule, Schedule::read(Given::kept($schedule->toArray())));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function mistakes(): iterable
    {
        yield 'no such time' => [['every' => 'hour', 'at' => '24:00'], 'at'];
        yield 'no such zone' => [['every' => 'hour', 'zone' => 'Europe/Brackwater'], 'zone'];
        yield 'no day of the week' => [['every' => 'week'], 'days'];
        yield 'an eighth day' => [['every' => 'week', 'days' => [8]], 'days[0]'];
        yield 'cron' => [['every' => '* * * * *'], 'every'];
        yield 'too many working days' => [['every' => 'month', 'number' => 24], 'number'];
    }

    /** @param array<string, mixed> $told */
    #[DataProvider('mistakes')]
    public function testWhatCannotBeIsRefusedWhereItStands(array $told, string $path): void
    {
        try {
            Schedule::read(Given::kept($told));
            self::fail('It was accepted.');
        } catch (NotAccepted $e) {
            self::assertSame($path, $e->path);
        }
    }

    public function testTheMonthThatIsOverIsAskedForAndThoseBeforeIt(): void
    {
        $september = Period::month(2026, 9);
        self::assertSame(
            ['{period}' => '2026-08', '{from}' => '2026-06-01', '{to}' => '2026-08-31'],
            Due::of($september, 3)->placeholders(),
        );
        $yesterday = Period::of('2026-09-06')->firstDay();
        self::assertSame(
            ['{period}' => '2026-08', '{from}' => '2026-08-01', '{to}' => '2026-09-06'],
            Due::of($september, 1, $yesterday)->placeholders(),
        );
        $first = Period::of('2026-08-31')->firstDay();
        self::assertSame('2026-08-31', Due::of($september, 1, $first)->placeholders()['{to}']);
        $quarter = Period::ofStart(Grain::Day, $yesterday)->group(Grain::Quarter, $september->calendar());
        self::assertSame(
            ['{period}' => '2026-Q2', '{from}' => '2026-04-01', '{to}' => '2026-06-30'],
            Due::of($quarter, 1)->placeholders(),
        );
    }

    public function testPausesGrowAndEnd(): void
    {
        $now = new \DateTimeImmutable('2026-09-07 12:00 UTC');
        $last = $now;
        for ($failures = 1; null !== ($again = Pauses::maybeAgain($failures, $now)); ++$failures) {
            self::assertGreaterThan($last, $again);
            $last = $again;
        }
        self::assertSame(6, $failures);
    }
}
