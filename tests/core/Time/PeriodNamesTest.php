<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Time;

use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PeriodNamesTest extends TestCase
{
    #[TestWith(['2026-08', 'Aug 2026', 'Aug', 'A'])]
    #[TestWith(['2026-Q3', 'Q3 2026', 'Q3', '3'])]
    #[TestWith(['2026-H2', 'H2 2026', 'H2', '2'])]
    #[TestWith(['2026', '2026', '2026', '26'])]
    #[TestWith(['2026-08-31', '31 Aug 2026', '31 Aug', '31'])]
    #[TestWith(['2026-W35', 'W35 2026', 'W35', '35'])]
    public function testAPeriodHasANameForEveryRoom(
        string $key,
        string $full,
        string $withinYear,
        string $shortest,
    ): void {
        $period = Period::of($key);
        self::assertSame(
            [$full, $withinYear, $shortest],
            [PeriodNames::full($period), PeriodNames::withinYear($period), PeriodNames::shortest($period)],
        );
    }

    #[TestWith(['2026-01', '2026-12', 'Jan–Dec 2026'])]
    #[TestWith(['2025-11', '2026-02', 'Nov 2025–Feb 2026'])]
    #[TestWith(['2026-08', '2026-08', 'Aug 2026'])]
    #[TestWith(['2024', '2026', '2024–2026'])]
    #[TestWith(['2025-Q4', '2026-Q1', 'Q4 2025–Q1 2026'])]
    #[TestWith(['2026-01-05', '2026-01-31', '5–31 Jan 2026'])]
    #[TestWith(['2026-01-01', '2026-01-31', 'Jan 2026'])]
    #[TestWith(['2025-11-01', '2026-02-28', 'Nov 2025–Feb 2026'])]
    public function testARangeNamesItsYearOnceWhereItIsTheSame(string $from, string $to, string $name): void
    {
        self::assertSame($name, PeriodNames::range(Period::of($from), Period::of($to)));
    }

    public function testFiscalPeriodsSaySo(): void
    {
        $july = new FiscalCalendar(7);
        self::assertSame('Q1 FY2027', PeriodNames::full(Period::of('2026-08')->group(Grain::Quarter, $july)));
        self::assertSame('FY2027', PeriodNames::full(Period::of('2026-08')->group(Grain::Year, $july)));
        self::assertSame('Aug 2026', PeriodNames::full(Period::of('2026-08-15')->group(Grain::Month, $july)));
    }

    public function testARangeIsCutIntoEveryPeriodThatItTouches(): void
    {
        $calendar = new FiscalCalendar();
        $range = PeriodRange::between(Period::of('2025-11'), Period::of('2026-04'));
        $keys = static fn (Grain $grain): array => array_map(
            static fn (Period $period): string => $period->key(),
            $range->periods($grain, $calendar),
        );
        self::assertSame(['2025-Q4', '2026-Q1', '2026-Q2'], $keys(Grain::Quarter));
        self::assertSame(['2025', '2026'], $keys(Grain::Year));
        self::assertCount(181, $keys(Grain::Day));
        self::assertCount(27, $keys(Grain::Week));
        self::assertSame([], (new PeriodRange(5, 4))->periods(Grain::Month, $calendar));
    }

    public function testGroupingByQuarterThenYearEqualsGroupingByYear(): void
    {
        for ($first = 1; $first <= 12; ++$first) {
            $calendar = new FiscalCalendar($first);
            for ($month = 0; $month < 40; ++$month) {
                $period = Period::month(2024, 1)->moved($month);
                $quarter = $period->group(Grain::Quarter, $calendar);
                self::assertSame(
                    $period->group(Grain::Year, $calendar)->key(), $quarter->group(Grain::Year, $calendar)->key(),
                );
                self::assertTrue(
                    $quarter->firstDay() <= $period->firstDay() && $quarter->lastDay() >= $period->lastDay(),
                );
                self::assertSame($quarter->key(), Period::of($quarter->key(), $calendar)->key());
            }
        }
    }

    public function testACoarsePeriodIsNoPartOfAFineOne(): void
    {
        $this->expectException(NotAPeriod::class);
        Period::of('2026-Q1')->group(Grain::Month, new FiscalCalendar());
    }
}
