<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures;

use KeenMargin\Core\Figures\ClosingPeriods;
use KeenMargin\Core\Time\Period;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ClosingPeriodsTest extends TestCase
{
    private const DAYS = "Day,Amount\n2026-01-05,1\n2026-02-10,2\n2026-03-17,3\n";

    public function testBooksOfDailyFiguresAreClosedByMonths(): void
    {
        $dataset = Written::figures(self::DAYS)->dataset();
        self::assertSame(
            ['2026-01', '2026-02', '2026-03'],
            array_map(static fn (Period $period): string => $period->key(), (new ClosingPeriods($dataset))->list),
        );
        self::assertSame('2026-03-17', $dataset->closing()->key(), 'March is not over');
        self::assertSame('2026-02', (new ClosingPeriods($dataset))->before($dataset->closing())?->key());
    }

    #[TestWith(['2026-03-27', '2026-03-27'])]
    #[TestWith(['2026-03-28', '2026-03'])]
    #[TestWith(['2026-02-25', '2026-02'])]
    #[TestWith(['2026-02-24', '2026-02-24'])]
    public function testAMonthIsClosedWhoseLastActualIsAmongItsLastFourDays(string $day, string $closing): void
    {
        $dataset = Written::figures("Day,Scenario,Amount\n2026-01-05,AC,1\n$day,AC,2\n2026-12-31,BU,3\n")->dataset();
        self::assertSame($closing, $dataset->closing()->key());
    }

    #[TestWith(['2026-02', '2026-01', '2026-03'])]
    #[TestWith(['2026-01', null, '2026-02'])]
    #[TestWith(['2026-03', '2026-02', null])]
    #[TestWith(['2026-02-10', '2026-01', '2026-02'])]
    #[TestWith(['2026-01-31', null, '2026-02'])]
    public function testAStepGoesToTheMonthBeforeOrAfter(string $closing, ?string $back, ?string $on): void
    {
        $all = new ClosingPeriods(Written::figures(self::DAYS)->dataset());
        self::assertSame(
            [$back, $on], [$all->before(Period::of($closing))?->key(), $all->after(Period::of($closing))?->key()],
        );
    }

    #[TestWith(['2026-03', '2026-02', '2026-04'])]
    #[TestWith(['2026-01-10', '2025-12', '2026-01'])]
    #[TestWith(['2026-01-31', '2025-12', '2026-02'])]
    #[TestWith(['2026-W05', '2026-W04', '2026-W06'])]
    public function testAReportStepsByMonthsAlsoFromADay(string $closing, string $back, string $on): void
    {
        $steps = ClosingPeriods::around(Period::of($closing));
        self::assertSame([$back, $on], [$steps['back']->key(), $steps['on']->key()]);
    }
}
