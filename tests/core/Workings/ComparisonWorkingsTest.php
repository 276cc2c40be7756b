<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

final class ComparisonWorkingsTest extends TestCase
{
    private const YEAR =
        "Month,Actual,Budget,Forecast\n2025-08,700,,\n2026-06,588,612,\n2026-07,781,745,770\n".
        "2026-08,742,760,750\n2026-09,,560,548\n2026-10,,430,441\n";

    /** @return array<string, ?string> */
    private static function shown(Workings $workings): array
    {
        return array_combine(
            array_map(static fn (Row $row): string => $row->key->id, $workings->table->rows),
            array_map(static fn (Row $row): ?string => $row->shown?->toString(), $workings->table->rows),
        );
    }

    private static function check(Workings $workings, string $id): ?Check
    {
        return array_values(
            array_filter($workings->checks, static fn (Check $check): bool => $check->id === $id),
        )[0] ?? null;
    }

    public function testActualUpToTheClosingPeriodAndForecastAfterIt(): void
    {
        $workings = Written::workings(self::YEAR, [
            'forecast' => 'FC',
            'against' => ['BU'],
            'span' => ['from' => '2026-06', 'to' => '2026-10'],
        ]);
        self::assertSame(
            ['2026-06' => '588', '2026-07' => '781', '2026-08' => '742', '2026-09' => '548', '2026-10' => '441'],
            self::shown($workings),
        );
        self::assertSame(
            ['3100', '-7'],
            [
                $workings->table->total->shown?->toString(),
                $workings->table->total->variances['BU']?->amount->toString(),
            ],
        );
        self::assertSame(
            ['2111', '-6'],
            [
                $workings->table->toDate?->shown?->toString(),
                $workings->table->toDate?->variances['BU']?->amount->toString(),
            ],
        );
        self::assertSame('3100', $workings->table->landing?->shown?->toString());
    }

    public function testTheClosingPeriodMoves(): void
    {
        $workings = Written::workings(self::YEAR, [
            'forecast' => 'FC',
            'closedThrough' => '2026-07',
            'span' => ['from' => '2026-07', 'to' => '2026-08'],
        ]);
        self::assertSame(['2026-07' => '781', '2026-08' => '750'], self::shown($workings));
    }

    public function testWithoutAForecastWhatComesAfterTheClosingPeriodIsMissing(): void
    {
        $workings = Written::workings(self::YEAR, [
            'against' => ['BU'],
            'span' => ['from' => '2026-08', 'to' => '2026-09'],
        ]);
        self::assertSame(['2026-08' => '742', '2026-09' => null], self::shown($workings));
        self::assertSame('The shown figure is missing for Sep 2026', self::check($workings, 'none-missing')?->says);
        self::assertSame('Sep: budget only, so not compared', self::check($workings, 'left-out-bu')?->says);
        self::assertSame('-18', $workings->table->total->variances['BU']?->amount->toString());
    }

    public function testAMissingActualLeavesBothSidesOutOfTheTotal(): void
    {
        $workings = Written::workings("Month,Actual,Budget\n2026-01,5,4\n2026-02,,10\n2026-03,6,6\n", [
            'against' => ['BU'],
        ]);
        self::assertSame(
            ['11', '1'],
            [
                $workings->table->total->shown?->toString(),
                $workings->table->total->variances['BU']?->amount->toString(),
            ],
        );
        self::assertNull($workings->table->rows[1]->variances['BU']);
        self::assertFalse(self::check($workings, 'left-out-bu')?->holds);
    }

    public function testPriorYearIsTheActualOfOneYearEarlierUnlessOneCameIn(): void
    {
        $derived = Written::workings(self::YEAR, [
            'against' => ['PY'],
            'span' => ['from' => '2026-08', 'to' => '2026-08'],
        ]);
        self::assertSame('42', $derived->table->rows[0]->variances['PY']?->amount->toString());
        self::assertTrue(self::check($derived, 'prior-year-derived')?->holds);
        $imported = Written::workings("Month,Actual,PY\n2025-08,700,1\n2026-08,742,690\n", [
            'against' => ['PY'],
            'span' => ['from' => '2026-08', 'to' => '2026-08'],
        ]);
        self::assertSame('52', $imported->table->rows[0]->variances['PY']?->amount->toString());
        self::assertNull(self::check($imported, 'prior-year-derived'));
    }

    public function testATotalOfRatesIsNumeratorOverDenominatorBothSummed(): void
    {
        $workings = Written::workings(
            "Month,On time,Sailings\n2026-01,90,100\n2026-02,10,50\n",
            ['measure' => 'Punctuality'],
            [
                'measures' => [
                    'Punctuality' => ['grouping' => 'ratio', 'numerator' => 'On time', 'denominator' => 'Sailings'],
                ],
            ],
        );
        self::assertSame(['90.000000', '20.000000'], array_values(self::shown($workings)));
        self::assertSame('66.666667', $workings->table->total->shown?->toString());
        self::assertSame('66.7', $workings->context->display->amount($workings->table->total->shown));
    }

    public function testARateWithoutItsPartsHasNoTotal(): void
    {
        $workings = Written::workings("Month,Punctuality %\n2026-01,91.5\n2026-02,93\n");
        self::assertNull($workings->table->total->shown);
        self::assertSame(
            'There is no total: percentages cannot be added, and their parts are not known',
            self::check($workings, 'total-rule')?->says,
        );
    }

    public function testAverageAndLastAreGroupedByTheirOwnRule(): void
    {
        $csv = "Month,Staff,Balance\n2026-01,10,5\n2026-02,11,7\n2026-03,,6\n2026-04,14,2\n";
        $mapping = ['measures' => ['Staff' => ['grouping' => 'average'], 'Balance' => ['grouping' => 'last']]];
        self::assertSame(
            ['2026-Q1' => '10.5', '2026-Q2' => '14'],
            self::shown(Written::workings($csv, ['measure' => 'Staff', 'by' => 'quarter'], $mapping)),
        );
        self::assertSame(
            ['2026-Q1' => '6', '2026-Q2' => '2'],
            self::shown(Written::workings($csv, ['measure' => 'Balance', 'by' => 'quarter'], $mapping)),
        );
    }

    public function testFiscalQuartersAreGroupedFromAprilOn(): void
    {
        $csv = "Month,Actual\n2026-03,1\n2026-04,2\n2026-05,4\n2026-07,8\n";
        self::assertSame(
            ['FY2026-Q4' => '1', 'FY2027-Q1' => '6', 'FY2027-Q2' => '8'],
            self::shown(Written::workings($csv, ['by' => 'quarter'], ['fiscalYearStarts' => 4])),
        );
    }

    public function testDaysAreGroupedToWeeksAndMonths(): void
    {
        $csv = "Date,Actual\n2025-12-28,1\n2025-12-30,2\n2026-01-02,4\n2026-02-01,8\n";
        self::assertSame(
            ['2025-12' => '3', '2026-01' => '4', '2026-02' => '8'],
            self::shown(Written::workings($csv, ['by' => 'month'])),
        );
        self::assertSame(
            ['2025-W52' => '1', '2026-W01' => '6'],
            \array_slice(self::shown(Written::workings($csv, ['by' => 'week'])), 0, 2),
        );
    }

    public function testAQuarterWithinWhichTheBooksWereClosedSaysSo(): void
    {
        $workings = Written::workings(self::YEAR, [
            'forecast' => 'FC',
            'by' => 'quarter',
            'span' => ['from' => '2026-07', 'to' => '2026-10'],
        ]);
        self::assertSame('2071', $workings->table->rows[0]->shown?->toString());
        self::assertSame(
            'Q3 2026 is actual to Aug and forecast after it', self::check($workings, 'part-forecast')?->says,
        );
    }

    public function testAReferenceThatHasNotComeInYetIsSaidAndTheRestStands(): void
    {
        $workings = Written::workings("Month,Actual,Budget\n2026-01,5,4\n2026-02,,4\n", [
            'forecast' => 'FC',
            'against' => ['BU', 'PY'],
        ]);
        self::assertSame('1', $workings->table->rows[0]->variances['BU']?->amount->toString());
        self::assertNull($workings->table->rows[0]->variances['PY']);
        self::assertSame(
            'There are no prior year figures for these periods', self::check($workings, 'absent-py')?->says,
        );
        self::assertFalse(self::check($workings, 'absent-fc')?->holds);
        self::assertNull(self::check($workings, 'left-out-py'));
    }

    public function testMembersAreFiltered(): void
    {
        $csv = "Month,Route,Actual\n2026-01,North,1\n2026-01,Holm,2\n2026-01,Outer,4\n";
        self::assertSame(
            '3',
            self::shown(Written::workings($csv, ['where' => [['field' => 'Route', 'in' => ['North', 'Holm']]]]))[
                '2026-01'
            ],
        );
        self::assertSame(
            '5',
            self::shown(Written::workings($csv, ['where' => [['field' => 'Route', 'notIn' => ['Holm']]]]))['2026-01'],
        );
    }

    public function testWorkingsAreWrittenAsTheFormatSays(): void
    {
        $written = Written::document(
            Written::workings("Month,Actual,Budget\n2026-01,302000,310000\n", [
                'measure' => 'Amount',
                'against' => ['BU'],
                'flag' => ['percent' => '5'],
            ]),
        );
        self::assertSame(
            [[
                'key' => '2026-01',
                'label' => 'Jan 2026',
                'role' => 'row',
                'values' => ['AC' => '302000', 'BU' => '310000'],
                'shown' => '302000',
                'shownScenario' => 'AC',
                'variance' => [
                    'BU' => [
                        'amount' => '-8000',
                        'percent' => '-2.5806',
                        'effect' => 'unfavourable',
                        'flagged' => false,
                    ],
                ],
            ]],
            $written['rows'],
        );
    }

    public function testRowsSumToTheTotalAndSignsAgreeOverRandomFigures(): void
    {
        for ($seed = 1; $seed <= 150; ++$seed) {
            $figures = new RandomFigures($seed, 1 + ($seed % 40));
            $less = 0 === $seed % 2;
            $workings = Written::workings($figures->csv(), [
                'forecast' => 'FC',
                'against' => ['BU', 'PY'],
                'by' => ['month', 'quarter', 'year'][$seed % 3],
                'better' => $less ? 'less' : 'more',
            ]);
            self::assertTrue(self::check($workings, 'rows-sum-to-total')?->holds, "seed $seed");
            foreach (['BU', 'PY'] as $code) {
                $sum = \Brick\Math\BigDecimal::zero();
                foreach ($workings->table->rows as $row) {
                    $variance = $row->variances[$code];
                    if (null === $variance) {
                        continue;
                    }
                    $sum = $sum->plus($variance->amount);
                    self::assertTrue($variance->shown->minus($variance->reference)->isEqualTo($variance->amount));
                    $good = $variance->amount->getSign() * ($less ? -1 : 1);
                    self::assertSame(
                        [-1 => 'unfavourable', 0 => 'neutral', 1 => 'favourable'][$good], $variance->effect->value,
                    );
                }
                self::assertTrue(
                    $sum->isEqualTo($workings->table->total->variances[$code]->amount ?? 0),
                    "seed $seed against $code",
                );
            }
        }
    }
}
