<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Reading\Text\DateOrder;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Time\FiscalCalendar;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PeriodReaderTest extends TestCase
{
    #[TestWith(['Jan', '2026-01'])]
    #[TestWith(['January 2026', '2026-01'])]
    #[TestWith(['Jan-26', '2026-01'])]
    #[TestWith(["Sept '25", '2025-09'])]
    #[TestWith(['2026 März', '2026-03'])]
    #[TestWith(['août 2026', '2026-08'])]
    #[TestWith(['2026-01', '2026-01'])]
    #[TestWith(['2026/1', '2026-01'])]
    #[TestWith(['01/2026', '2026-01'])]
    #[TestWith(['01.2026', '2026-01'])]
    #[TestWith(['202601', '2026-01'])]
    #[TestWith(['31.01.2026', '2026-01-31'])]
    #[TestWith(['2026-01-31', '2026-01-31'])]
    #[TestWith(['2026-01-31 00:00:00', '2026-01-31'])]
    #[TestWith(['31 Jan 2026', '2026-01-31'])]
    #[TestWith(['03/04/2026', '2026-04-03'])]
    #[TestWith(['Q1 2026', '2026-Q1'])]
    #[TestWith(['2026 Q1', '2026-Q1'])]
    #[TestWith(['2026-Q1', '2026-Q1'])]
    #[TestWith(['H2 2026', '2026-H2'])]
    #[TestWith(['FY26', '2026'])]
    #[TestWith(['2026', '2026'])]
    #[TestWith(['46023', '2026-01-01'])]
    public function testReadsPeriodsAsPeopleWriteThem(string $text, string $key): void
    {
        self::assertSame(
            $key, (new PeriodReader(new FiscalCalendar(), DateOrder::DayFirst, 2026))->maybe($text)?->key(),
        );
    }

    #[TestWith(['Total'])]
    #[TestWith(['13/2026'])]
    #[TestWith(['99999'])]
    #[TestWith(['Ju 2026'])]
    #[TestWith(['31.02.2026'])]
    #[TestWith(['12'])]
    public function testRefusesWhatIsNoPeriod(string $text): void
    {
        self::assertNull((new PeriodReader(year: 2026))->maybe($text));
    }

    public function testDatesOfTheColumnTellTheirOrder(): void
    {
        self::assertSame(DateOrder::MonthFirst, DateOrder::maybeProven(['03/04/2026', '03/25/2026']));
        self::assertSame(DateOrder::DayFirst, DateOrder::maybeProven(['03/04/2026', '25/03/2026']));
        self::assertTrue(DateOrder::isAmbiguous(['03/04/2026']));
        self::assertSame('2026-03-04', (new PeriodReader(dates: DateOrder::MonthFirst))->maybe('03/04/2026')?->key());
    }

    public function testAMonthWithoutAYearIsNoPeriodUntilTheYearIsTold(): void
    {
        self::assertNull((new PeriodReader())->maybe('Jan'));
        self::assertTrue(PeriodReader::lacksYear('Jan'));
    }
}
