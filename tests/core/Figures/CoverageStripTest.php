<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures;

use KeenMargin\Core\Figures\CoverageStrip;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Table\MemberTable;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

final class CoverageStripTest extends TestCase
{
    public function testMonthsStandAsTheyAreGapsIncluded(): void
    {
        $strip = CoverageStrip::of(
            Written::figures("Month,Actual,Budget\n2026-01,1,1\n2026-03,2,2\n2026-04,,3\n")->dataset(),
        );
        self::assertSame(['2026-01', '2026-02', '2026-03', '2026-04'], self::keys($strip->periods));
        self::assertSame(['AC' => ['2026-01', '2026-03'], 'BU' => ['2026-01', '2026-03', '2026-04']], $strip->has);
        self::assertSame('2026-03', $strip->closing?->key());
    }

    public function testDaysAndWeeksStandTogetherAsMonths(): void
    {
        $days = CoverageStrip::of(
            Written::figures("Date,Actual\n2026-01-28,1\n2026-03-02,2\n2026-03-09,4\n")->dataset(),
        );
        self::assertSame(
            [
                ['2026-01', '2026-02', '2026-03'],
                ['2026-01', '2026-02', '2026-03'],
                ['AC' => ['2026-01', '2026-03']],
                '2026-03',
            ],
            [self::keys($days->periods), self::keys($days->closes), $days->has, $days->closing?->key()],
        );
        self::assertSame(
            ['2026-01', '2026-02'],
            self::keys(
                CoverageStrip::of(Written::figures("Week,Actual\n2026-W04,1\n2026-W06,2\n")->dataset())->periods,
            ),
        );
    }

    public function testAListHasNone(): void
    {
        self::assertSame([], CoverageStrip::of(Written::figures("Name,Amount\nNorth,1\n")->dataset())->periods);
    }

    public function testATableAddsDaysUpToMonthsByTheMeasuresRule(): void
    {
        $figures = Written::figures(
            "Date,Route,Actual,Forecast\n2026-01-05,North,1.5,\n2026-01-07,North,2,\n2026-02-03,North,,8\n".
                "2026-02-04,Holm,,9\n2026-01-05,Holm,10,\n",
        );
        $dataset = $figures->dataset();
        $table = MemberTable::of(
            figures: $figures,
            measure: $dataset->measures[0],
            scenario: Scenario::Actual,
            forecast: Scenario::Forecast,
            by: 'Route',
            where: [],
            fine: $dataset->range()->periods(Grain::Day, $dataset->calendar),
            grain: Grain::Month,
            largestFirst: true,
            from: 0,
            most: 10,
        );
        self::assertSame(['2026-01', '2026-02'], self::keys($table->periods));
        self::assertSame(
            [['Holm', ['10.0', '9.0'], '19.0'], ['North', ['3.5', '8.0'], '11.5']],
            array_map(
                static fn (array $row): array => [$row[0], array_map(strval(...), $row[1]), (string) $row[2]],
                $table->rows,
            ),
        );
        self::assertSame([Scenario::Actual, Scenario::Forecast], $table->shown);
    }

    public function testAnAverageIsNotAddedUpInATable(): void
    {
        $figures = Written::figures(
            "Month,Pier,Staff\n2026-01,East,10\n2026-02,East,20\n2026-01,West,4\n2026-02,West,6\n",
            ['measures' => ['Staff' => ['grouping' => 'average']]],
        );
        $dataset = $figures->dataset();
        $table = MemberTable::of(
            figures: $figures,
            measure: $dataset->measures[0],
            scenario: Scenario::Actual,
            forecast: null,
            by: 'Pier',
            where: [],
            fine: $dataset->range()->periods(Grain::Month, $dataset->calendar),
            grain: Grain::Month,
            largestFirst: true,
            from: 0,
            most: 1,
        );
        self::assertSame(['East', '15', 2], [$table->rows[0][0], (string) $table->rows[0][2], $table->count]);
    }

    /**
     * @param list<Period> $periods
     *
     * @return list<string>
     */
    private static function keys(array $periods): array
    {
        return array_map(static fn (Period $period): string => $period->key(), $periods);
    }
}
