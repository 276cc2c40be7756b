<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** Rows that are members of a breakdown: groups, order, gathering, totals. */
final class MemberRowsTest extends TestCase
{
    private const CSV =
        "Month,Line,Actual,Budget\n2026-01,Fares,900,850\n2026-01,Freight,100,120\n".
        "2026-01,Fuel,310,280\n2026-01,Crew,270,275\n2026-02,Fares,50,60\n";
    private const GROUPS = ['Fares' => 'Income', 'Freight' => 'Income', 'Fuel' => 'Costs', 'Crew' => 'Costs'];
    private const ROLES = [
        'Fares' => LineRole::Adds,
        'Freight' => LineRole::Adds,
        'Fuel' => LineRole::TakesAway,
        'Crew' => LineRole::TakesAway,
    ];

    /** @param array<string, mixed> $question */
    private static function statement(array $question = []): Workings
    {
        return self::of(
            Written::grouped(Written::figures(self::CSV), 'Line', self::GROUPS, self::ROLES),
            $question + ['by' => 'Line', 'against' => ['BU']],
        );
    }

    /** @param array<string, mixed> $question */
    private static function of(FactTable $figures, array $question): Workings
    {
        return Drawing::workings(Written::recipe($question), $figures, ChartKinds::all());
    }

    /** @return array<string, string> */
    private static function shown(Workings $workings): array
    {
        return array_combine(
            array_map(static fn (Row $row): string => $row->key->id, $workings->table->rows),
            array_map(static fn (Row $row): string => (string) $row->shown, $workings->table->rows),
        );
    }

    /** @return array<string, bool> */
    private static function checks(Workings $workings): array
    {
        return array_combine(
            array_map(static fn (Check $check): string => $check->id, $workings->checks),
            array_map(static fn (Check $check): bool => $check->holds, $workings->checks),
        );
    }

    public function testGroupsStandBeforeTheirMembersWithTheirSums(): void
    {
        $workings = self::statement();
        self::assertSame(
            [
                'Income' => '1050',
                'Fares' => '950',
                'Freight' => '100',
                'Costs' => '580',
                'Fuel' => '310',
                'Crew' => '270',
                'total' => '470',
            ],
            self::shown($workings),
        );
        self::assertSame(
            [RowRole::Group, RowRole::Row, RowRole::Row],
            array_map(static fn (Row $row): RowRole => $row->role, \array_slice($workings->table->rows, 0, 3)),
        );
        self::assertSame(
            [0, 1, 1, 0, 1, 1, 0],
            array_map(static fn (Row $row): int => $row->depth, $workings->table->rows),
        );
    }

    public function testOfALineThatTakesAwayLessIsBetter(): void
    {
        $effects = array_map(
            static fn (Row $row): string => $row->variances['BU']->effect->value ?? '',
            self::statement()->table->rows,
        );
        self::assertSame(
            ['favourable', 'favourable', 'unfavourable', 'unfavourable', 'unfavourable', 'favourable', 'unfavourable'],
            $effects,
        );
    }

    public function testLinesThatAddAndTakeAwayComeToTheirResult(): void
    {
        $workings = self::statement();
        self::assertSame('470', (string) $workings->table->total->shown);
        self::assertTrue(self::checks($workings)['lines-net-to-result']);
        self::assertSame('470', $workings->summary->headline['amount']);
        self::assertSame('Result', $workings->table->rows[6]->label);
        $costs = self::statement(['where' => [['field' => 'Line', 'in' => ['Fuel', 'Crew']]]]);
        self::assertSame(['Costs' => '580', 'Fuel' => '310', 'Crew' => '270', 'total' => '580'], self::shown($costs));
        self::assertTrue(self::checks($costs)['rows-sum-to-total']);
    }

    public function testAHatOfAStatementReadsCostsTheRightWayRoundAndHasNoTotal(): void
    {
        $csv =
            "Month,Line,Route,Actual,Forecast\n2026-01,Fares,North,900,\n2026-01,Fares,Holm,950,\n".
            "2026-01,Fuel,North,300,\n2026-01,Fuel,Holm,340,\n2026-02,Fares,North,,5\n";
        $figures = Written::grouped(
            Written::figures($csv), 'Line', [], ['Fares' => LineRole::Adds, 'Fuel' => LineRole::TakesAway],
        );
        $asked = [
            'by' => 'Line',
            'forecast' => 'FC',
            'span' => 'year to date',
            'between' => ['field' => 'Route', 'first' => 'North', 'second' => 'Holm'],
        ];
        $workings = Drawing::workings(Written::recipe($asked, [], 'hat'), $figures, ChartKinds::all());
        self::assertSame(
            ['favourable', 'unfavourable'],
            array_map(
                static fn (Row $row): string => $row->variances['first']->effect->value ?? '',
                $workings->table->rows,
            ),
        );
        self::assertNull($workings->table->total->shown);
        self::assertTrue(self::checks($workings)['no-total']);
        self::assertNull($workings->context->forecast, 'nothing of the span is forecast');
    }

    public function testOrderKeepsGroupsTogether(): void
    {
        self::assertSame(
            ['Costs', 'Crew', 'Fuel', 'Income', 'Freight', 'Fares', 'total'],
            array_keys(self::shown(self::statement(['order' => 'smallest first']))),
        );
        self::assertSame(
            ['Income', 'Fares', 'Freight', 'Costs', 'Fuel', 'Crew', 'total'],
            array_keys(self::shown(self::statement(['order' => 'largest first']))),
        );
        self::assertSame(
            ['Income', 'Fares', 'Freight', 'Costs', 'Crew', 'Fuel', 'total'],
            array_keys(self::shown(self::statement(['order' => 'favourable first']))),
        );
    }

    public function testTheLargestAreKeptAndTheOthersGathered(): void
    {
        $csv = "Route,Actual,Budget\nA,5,4\nB,-70,-60\nC,30,30\nD,1,2\nE,2,2\n";
        $workings = self::of(Written::figures($csv), ['by' => 'Route', 'against' => ['BU'], 'top' => 2]);
        self::assertSame(['B' => '-70', 'C' => '30', 'other' => '8', 'total' => '-32'], self::shown($workings));
        self::assertSame('Other (3)', $workings->table->rows[2]->label);
        self::assertTrue(self::checks($workings)['rows-sum-to-total']);
        $ordered = self::of(Written::figures($csv), ['by' => 'Route', 'top' => 3, 'order' => 'largest first']);
        self::assertSame(['C', 'A', 'B', 'other', 'total'], array_keys(self::shown($ordered)));
    }

    public function testManyMembersAreGatheredUnasked(): void
    {
        $csv = "Stop,Actual\n".implode('', array_map(static fn (int $i): string => "Stop $i,$i\n", range(1, 3000)));
        $workings = self::of(Written::figures($csv), ['by' => 'Stop']);
        self::assertCount(22, $workings->table->rows);
        self::assertSame(
            ['Stop 3000', 'Other (2980)', '4501500'],
            [
                $workings->table->rows[0]->label,
                $workings->table->rows[20]->label,
                (string) $workings->table->total->shown,
            ],
        );
    }

    public function testAMemberCalledTotalIsNotTheTotal(): void
    {
        $workings = self::of(
            Written::figures("Month,Route,Actual\n2026-01,total,5\n2026-01,other,4\n", ['totals' => 'keep']),
            ['by' => 'Route'],
        );
        self::assertSame(['\total', '\other', 'total'], array_keys(self::shown($workings)));
    }

    public function testAMemberWithoutFiguresOnOneSideHasNothingThere(): void
    {
        $workings = self::of(Written::figures("Route,Actual,Budget\nA,5,4\nB,,10\n"), [
            'by' => 'Route',
            'against' => ['BU'],
        ]);
        self::assertNull($workings->table->rows[1]->shown);
        self::assertSame('-10', $workings->table->rows[1]->variances['BU']?->amount->toString());
        self::assertTrue($workings->table->rows[1]->isAbsent());
        self::assertTrue(self::checks($workings)['none-missing']);
        self::assertTrue(self::checks($workings)['absent-bu-shown']);
    }

    public function testAChartForEachMemberOfAnotherBreakdown(): void
    {
        $csv = "Month,Route,Actual\n";
        foreach (range(1, 15) as $i) {
            $csv .= "2026-01,R$i,{$i}0\n2026-02,R$i,$i\n";
        }
        $workings = self::of(Written::figures($csv), ['each' => 'Route']);
        self::assertCount(12, $workings->table->panels());
        self::assertSame(
            ['R5', 'Other (4)'], [$workings->table->panels()[0][0]->panel, $workings->table->panels()[11][0]->panel],
        );
        self::assertSame('Other (4): Feb 2026', $workings->table->rows[23]->label);
        self::assertTrue(self::checks($workings)['rows-sum-to-total']);
        $row = ((array) Written::document($workings)['rows'])[0];
        self::assertSame(['R5/2026-01', 'R5'], [((array) $row)['key'], ((array) $row)['panel']]);
    }

    public function testReadingsNameTheChartAndItsRow(): void
    {
        $csv = "Month,Route,Actual,Budget\n2026-01,North,5,4\n2026-01,Holm,3,9\n";
        $reading = self::of(Written::figures($csv), [
            'each' => 'Route',
            'against' => ['BU'],
            'flag' => ['amount' => '1'],
        ])->summary;
        self::assertSame("Most for it: North Jan (+1); most against it: Holm Jan (\u{2212}6).", $reading->texts()[1]);
        self::assertSame('Flagged: North Jan and Holm Jan.', $reading->texts()[2]);
    }

    public function testTheOrderIsTheSameInEveryChart(): void
    {
        $csv = "Route,Class,Actual\nA,Foot,1\nA,Car,90\nB,Foot,20\nB,Car,5\nC,Foot,30\nC,Car,1\n";
        $workings = self::of(Written::figures($csv), ['by' => 'Route', 'each' => 'Class', 'order' => 'largest first']);
        self::assertSame(
            ['Foot/A', 'Foot/C', 'Foot/B', 'Foot/total', 'Car/A', 'Car/C', 'Car/B', 'Car/total'],
            array_keys(self::shown($workings)),
        );
    }

    public function testAPriorYearIsDerivedForAllMembersOrForNone(): void
    {
        $csv = "Month,Route,Actual,Prior year\n2025-01,A,3,\n2025-01,B,4,\n2026-01,A,5,2\n2026-01,B,6,\n";
        $workings = self::of(Written::figures($csv), [
            'by' => 'Route',
            'against' => ['PY'],
            'span' => ['from' => '2026-01', 'to' => '2026-01'],
        ]);
        self::assertSame(
            ['2', null],
            [$workings->table->rows[0]->values['PY']?->toString(), $workings->table->rows[1]->values['PY']],
        );
    }

    public function testRatesOfMembersAreTheirOwnPartsSummed(): void
    {
        $mapping = [
            'measures' => ['Rate' => ['grouping' => 'ratio', 'numerator' => 'On time', 'denominator' => 'Sailings']],
        ];
        $workings = self::of(
            Written::figures(
                "Month,Route,On time,Sailings\n2026-01,A,90,100\n2026-01,B,5,10\n2026-02,B,5,40\n", $mapping,
            ),
            ['measure' => 'Rate', 'by' => 'Route'],
        );
        self::assertSame(['A' => '90.000000', 'B' => '20.000000', 'total' => '66.666667'], self::shown($workings));
    }
}
