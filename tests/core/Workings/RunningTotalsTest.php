<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Workings\Checks\RowSums;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** Year to date, moving totals and the landing. */
final class RunningTotalsTest extends TestCase
{
    /** @return list<?string> */
    private static function shown(Workings $workings): array
    {
        return array_map(static fn (Row $row): ?string => $row->shown?->toString(), $workings->table->rows);
    }

    private static function check(Workings $workings, string $id): ?Check
    {
        return array_values(
            array_filter($workings->checks, static fn (Check $check): bool => $check->id === $id),
        )[0] ?? null;
    }

    public function testYearToDateStartsAnewWithTheFiscalYear(): void
    {
        $csv = "Month,Actual,Budget\n2026-02,1,2\n2026-03,2,2\n2026-04,4,2\n2026-05,8,9\n";
        self::assertSame(
            ['1', '3', '7', '15'],
            self::shown(Written::workings($csv, ['cumulate' => 'year to date', 'against' => ['BU']])),
        );
        $fiscal = Written::workings(
            $csv, ['cumulate' => 'year to date', 'against' => ['BU']], ['fiscalYearStarts' => 4],
        );
        self::assertSame(['1', '3', '4', '12'], self::shown($fiscal));
        self::assertSame(
            ['-1', '-1', '2', '1'],
            array_map(static fn (Row $row): string => (string) $row->variances['BU']?->amount, $fiscal->table->rows),
        );
        self::assertSame(
            ['1', '2', '4', '8'],
            array_map(static fn (Row $row): string => (string) ($row->values['own'] ?? ''), $fiscal->table->rows),
        );
    }

    public function testARunningTotalReachesBackBeforeTheSpan(): void
    {
        $csv = "Month,Actual\n2026-01,1\n2026-02,2\n2026-03,4\n";
        self::assertSame(
            ['7'],
            self::shown(
                Written::workings($csv, [
                    'cumulate' => 'year to date',
                    'span' => ['from' => '2026-03', 'to' => '2026-03'],
                ]),
            ),
        );
    }

    public function testAMovingTotalIsOfTwelveMonthsOrMissing(): void
    {
        $csv =
            "Month,Actual\n".
            implode(
                '',
                array_map(
                    static fn (int $i): string => \sprintf(
                        "%d-%02d,%d\n", 2025 + intdiv($i, 12), ($i % 12) + 1, $i + 1,
                    ),
                    range(0, 13),
                ),
            );
        $workings = Written::workings($csv, ['cumulate' => 'moving']);
        self::assertSame(
            [null, null, '78', '90', '102'],
            [...\array_slice(self::shown($workings), 0, 2), ...\array_slice(self::shown($workings), 11)],
        );
        self::assertSame(
            [null, null, null, '78'],
            self::shown(
                Written::workings($csv, [
                    'cumulate' => 'moving',
                    'by' => 'quarter',
                    'span' => ['from' => '2025-01', 'to' => '2025-12'],
                ]),
            ),
        );
        self::assertTrue(self::check($workings, 'running')?->holds);
        self::assertFalse(self::check($workings, 'none-missing')?->holds);
    }

    public function testARunningTotalStopsWhereItsOwnPeriodIsMissing(): void
    {
        $workings = Written::workings("Month,Actual,Budget\n2026-01,1,2\n2026-02,,2\n2026-03,4,2\n", [
            'cumulate' => 'year to date',
            'against' => ['BU'],
        ]);
        self::assertSame(['1', null, '5'], self::shown($workings));
        self::assertNull($workings->table->rows[1]->variances['BU']);
    }

    public function testTheLandingIsActualToDateAndForecastForTheRest(): void
    {
        $csv = "Month,Actual,Budget,Forecast\n2026-01,10,9,\n2026-02,20,22,\n2026-03,,30,31\n";
        $recipe = Written::recipe(['forecast' => 'FC', 'against' => ['BU']], ['landing' => true]);
        $workings = Drawing::workings($recipe, Written::figures($csv), ChartKinds::all());
        $last = $workings->table->rows[3];
        self::assertSame(
            ['landing', 'Landing 2026 without April–December', '61', '0', 'FC'],
            [
                $last->key->id,
                $last->label,
                (string) $last->shown,
                (string) $last->variances['BU']?->amount,
                $last->shownScenario?->value,
            ],
        );
        self::assertTrue(self::check($workings, 'rows-sum-to-total')?->holds);
        self::assertCount(3, Written::workings($csv, ['forecast' => 'FC', 'against' => ['BU']])->table->rows);
    }

    public function testTheCheckOfRunningTotalsFindsAWrongOne(): void
    {
        $recipe = Written::recipe(['cumulate' => 'year to date']);
        $figures = Written::figures("Month,Actual\n2026-01,1\n2026-02,2\n");
        $measure = $figures->dataset()->measures[0];
        $scope = Scope::of($recipe->question, $figures->dataset(), $measure, $measure->sources());
        $sums = new RowSums($scope, (new ComparisonRows($scope, $measure, $figures))->comparison);
        $workings = Drawing::workings($recipe, $figures, ChartKinds::all());
        $rows = $workings->table->rows;
        self::assertTrue($sums->check($rows, $workings->table->total)->holds);
        $wrong = With::of($rows[1], ['shown' => BigDecimal::of(4)]);
        self::assertSame(
            'The running total of Feb 2026 is not the sum of its periods',
            $sums->check([$rows[0], $wrong], $workings->table->total)->says,
        );
    }
}
