<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Time;

use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Time\Span;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PeriodTest extends TestCase
{
    #[TestWith(['2026-01-31', 'Q1 2026', '2026-Q1'])]
    #[TestWith(['2026-08', 'Aug 2026', '2026-08'])]
    public function testKeysAndNames(string $key, string $quarterOrMonth, string $grouped): void
    {
        $period = Period::of($key);
        self::assertSame($key, $period->key());
        $group = $period->group(str_contains($grouped, 'Q') ? Grain::Quarter : Grain::Month, new FiscalCalendar());
        self::assertSame([$grouped, $quarterOrMonth], [$group->key(), PeriodNames::full($group)]);
    }

    #[TestWith(['2025-04', 'FY2026-Q1', 'FY2026-H1', 'FY2026'])]
    #[TestWith(['2026-03', 'FY2026-Q4', 'FY2026-H2', 'FY2026'])]
    #[TestWith(['2026-04', 'FY2027-Q1', 'FY2027-H1', 'FY2027'])]
    public function testAFiscalYearFromAprilBearsTheNumberOfTheYearInWhichItEnds(
        string $month,
        string $quarter,
        string $half,
        string $year,
    ): void {
        $april = new FiscalCalendar(4);
        $keys = array_map(static fn (Grain $grain): string => Period::of($month)->group($grain, $april)->key(), [
            Grain::Quarter, Grain::HalfYear, Grain::Year,
        ]);
        self::assertSame([$quarter, $half, $year], $keys);
        self::assertSame($keys, array_map(static fn (string $key): string => Period::of($key, $april)->key(), $keys));
    }

    #[TestWith(['2026-01-01', '2026-W01'])]
    #[TestWith(['2024-12-30', '2025-W01'])]
    #[TestWith(['2027-01-01', '2026-W53'])]
    public function testIsoWeeksOverNewYear(string $day, string $week): void
    {
        $of = Period::of($day)->group(Grain::Week, new FiscalCalendar());
        self::assertSame($week, $of->key());
        self::assertSame($of->start, Period::of($week)->start);
    }

    public function testTheDayBeforeALeapDayOneYearEarlier(): void
    {
        self::assertSame('2023-02-28', Period::of('2024-02-29')->yearEarlier()->key());
        self::assertSame('2024-02', Period::of('2025-02')->yearEarlier()->key());
    }

    public function testDatesCountOnWithoutAGap(): void
    {
        $day = CivilDate::number(1900, 1, 1);
        for ($i = 0; $i < 110_000; $i += 37) {
            [$year, $month, $date] = CivilDate::parts($day + $i);
            self::assertSame($day + $i, CivilDate::number($year, $month, $date));
            self::assertTrue(checkdate($month, $date, $year));
        }
        self::assertSame(0, CivilDate::number(1970, 1, 1));
    }

    #[TestWith(['2026-13'])]
    #[TestWith(['99999-01'])]
    #[TestWith(['2026-02-30'])]
    #[TestWith(['2025-W53'])]
    #[TestWith(['1.2026'])]
    #[TestWith([''])]
    public function testWhatIsNoPeriodIsRefused(string $key): void
    {
        $this->expectException(NotAPeriod::class);
        Period::of($key);
    }

    /** @return iterable<string, array{Span, string, int}> */
    public static function spans(): iterable
    {
        yield 'year to date' => [Span::yearToDate(), 'Jan–Aug 2026', 1];
        yield 'rest of year' => [Span::restOfYear(), 'Sep–Dec 2026', 1];
        yield 'last 3 months' => [Span::last(3, Grain::Month), 'Jun–Aug 2026', 1];
        yield 'previous year' => [Span::previous(1, Grain::Year), 'Jan–Dec 2025', 1];
        yield 'last quarter, not yet over' => [Span::last(1, Grain::Quarter), 'Jul–Aug 2026', 1];
        yield 'previous 2 quarters' => [Span::previous(2, Grain::Quarter), 'Jan–Jun 2026', 1];
        yield 'fiscal year to date' => [Span::yearToDate(), 'Apr–Aug 2026', 4];
        yield 'rest of the fiscal year' => [Span::restOfYear(), 'Sep 2026–Mar 2027', 4];
        yield 'previous fiscal year' => [Span::previous(1, Grain::Year), 'Apr 2025–Mar 2026', 4];
        yield 'everything' => [Span::all(), 'Jan 2024–Dec 2026', 1];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('spans')]
    public function testRelativeSpansAreAnchoredOnTheClosingPeriod(Span $span, string $covers, int $firstMonth): void
    {
        $calendar = new FiscalCalendar($firstMonth);
        $available = PeriodRange::between(Period::of('2024-01'), Period::of('2026-12'));
        $months = $span->resolve(Period::of('2026-08'), $calendar, $available)->periods(Grain::Month, $calendar);
        self::assertSame($covers, PeriodNames::range($months[0], $months[\count($months) - 1]));
    }
}
