<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Coverage;

/** What is missing, what is nothing, and what both do to a comparison: one example for each rule of coverage. */
final class Examples
{
    private const CUSTOMERS =
        'Customer,Month,Scenario,Amount Ann,2026-01,AC,100 Ann,2026-02,BU,120 Bob,2026-01,AC,50 Bob,2026-02,AC,50'.
        ' Bob,2026-01,BU,60 Bob,2026-02,BU,60 Cid,2026-01,BU,40';
    private const ONE_ACTUAL =
        'Customer,Month,Scenario,Amount Ann,2026-01,AC,100 Ann,2026-02,BU,120 Bob,2026-01,AC,50'.
        ' Bob,2026-01,BU,60 Bob,2026-02,BU,60 Cid,2026-01,BU,40';

    /** @return iterable<string, array{Example}> */
    public static function all(): iterable
    {
        $all = [...self::members(), ...self::days(), ...self::weeks(), ...self::closings(), ...self::rules()];
        foreach ($all as $name => $example) {
            yield $name => [$example];
        }
    }

    /** @return array<string, Example> */
    private static function members(): array
    {
        return [
            'a member without a figure has nothing where both sides are covered' => new Example(
                self::CUSTOMERS,
                ['by' => 'Customer', 'against' => ['BU']],
                [
                    'Ann: AC 100, BU 120; BU -20', 'Bob: AC 100, BU 120; BU -20',
                    'Cid: AC –, BU 40; BU -40 absent shown', 'total: AC 200, BU 280; BU -80',
                    '+ Customers add up to the total', '+ 1 customer has budget and no actual, counted as nothing',
                    '"Amount in Jan–Feb 2026: 200, 80 (28.6 %) below budget."',
                ],
            ),
            'the same by month' => new Example(
                self::CUSTOMERS,
                ['by' => 'month', 'against' => ['BU']],
                [
                    '2026-01: AC 150, BU 100; BU 50', '2026-02: AC 50, BU 180; BU -130', '= total 200; BU -80',
                    '+ Months add up to the total',
                ],
            ),
            'the same of one member alone' => new Example(
                self::CUSTOMERS,
                ['by' => 'month', 'against' => ['BU'], 'where' => [['field' => 'Customer', 'in' => ['Ann']]]],
                [
                    '2026-01: AC 100, BU –; BU 100 absent reference', '2026-02: AC –, BU 120; BU -120 absent shown',
                    '= total 100; BU -20', '+ Months add up to the total',
                    '"Amount in Jan–Feb 2026: 100, 20 (16.7 %) below budget."',
                ],
            ),
            'the same in small multiples' => new Example(
                self::CUSTOMERS,
                ['by' => 'month', 'against' => ['BU'], 'each' => 'Customer'],
                [
                    'Ann/2026-01: AC 100, BU –; BU 100 absent reference',
                    'Cid/2026-01: AC –, BU 40; BU -40 absent shown', 'Cid/2026-02: AC –, BU –; BU –',
                    '= total 200; BU -80', '+ Months of all charts add up to the total',
                ],
            ),
            'the same gathered' => new Example(
                self::CUSTOMERS,
                ['by' => 'Customer', 'against' => ['BU'], 'top' => 1],
                ['Ann: AC 100, BU 120; BU -20', 'other: AC 100, BU 160; BU -60', 'total: AC 200, BU 280; BU -80'],
            ),
            'a period that one side does not cover is left out of every row' => new Example(
                self::ONE_ACTUAL,
                ['by' => 'Customer', 'against' => ['BU']],
                [
                    'Ann: AC 100, BU 120; BU 100 absent reference Jan only', 'Bob: AC 50, BU 120; BU -10 Jan only',
                    'Cid: AC –, BU 40; BU -40 absent shown Jan only', 'total: AC 150, BU 280; BU 50 Jan only',
                    '- Feb: budget only, so not compared', '"Amount in Jan 2026: 150, 50 (50.0 %) above budget."',
                ],
            ),
            'a hat between two members that come and go' => new Example(
                self::CUSTOMERS,
                ['by' => 'month', 'between' => ['field' => 'Customer', 'first' => 'Ann', 'second' => 'Bob']],
                [
                    '2026-01: first 100, second 50; change -50', '2026-02: first –, second 50; change 50 absent',
                    '= total 100; first 0', '+ Months add up to the total',
                ],
                'hat',
            ),
            'what is used of a total, with members that come and go' => new Example(
                'Hall,Month,Scenario,Used,Offered A,2026-01,AC,10,30 B,2026-01,AC,20, A,2026-01,BU,,40'.
                    ' B,2026-01,BU,,20',
                ['by' => 'Hall', 'used' => 'Used', 'total' => 'Offered', 'against' => ['BU']],
                [
                    'A: used 10, unused 20, total 30, target 40, rate 33.333333, rateTarget –; target -10; '
                        .'rateTarget –',
                    'B: used 20, unused -20, total –, target 20, rate –, rateTarget –; target -20 absent shown; '
                        .'rateTarget –',
                    'total: used 30, unused 0, total 30, target 60, rate 100.000000, rateTarget –; target -30; '
                        .'rateTarget –',
                    '= total 100.000000; target -30; rateTarget –',
                ],
                'capacity-fill',
            ),
            'an average over months' => new Example(
                'Shop,Month,Scenario,Stock A,2026-01,AC,20 A,2026-02,AC,20 A,2026-01,BU,10 B,2026-02,BU,30',
                ['by' => 'Shop', 'against' => ['BU']],
                [
                    'A: AC 20, BU 5; BU 15', 'B: AC –, BU 15; BU -15 absent shown', 'total: AC 20, BU 20; BU 0',
                    '+ Shops add up to the total',
                ],
                mapping: ['measures' => ['Stock' => ['grouping' => 'average']]],
            ),
            'the last of several months' => new Example(
                'Shop,Month,Scenario,Stock A,2026-01,AC,20 A,2026-02,AC,20 A,2026-01,BU,10 B,2026-02,BU,30',
                ['by' => 'Shop', 'against' => ['BU']],
                [
                    'A: AC 20, BU –; BU 20 absent reference', 'B: AC –, BU 30; BU -30 absent shown',
                    'total: AC 20, BU 30; BU -10', '+ Shops add up to the total',
                ],
                mapping: ['measures' => ['Stock' => ['grouping' => 'last']]],
            ),
        ];
    }

    /** @return array<string, Example> */
    private static function days(): array
    {
        return [
            'days against last year, by month' => new Example(
                'Day,Amount 2025-01-03,10 2025-01-07,20 2026-01-05,10 2026-01-07,30 2026-01-30,3',
                ['by' => 'month', 'against' => ['PY'], 'span' => ['from' => '2026', 'to' => '2026']],
                [
                    '2026-01: AC 43, PY 30; PY 13',
                    '= total 43; PY 13',
                    '"Amount in Jan 2026: 43, 13 (43.3 %) above prior year."',
                ],
            ),
            'daily actuals against a budget dated on firsts' => new Example(
                'Day,Scenario,Amount 2026-01-05,AC,10 2026-01-20,AC,30 2026-02-03,AC,5 2026-01-01,BU,35'.
                    ' 2026-02-01,BU,10',
                ['by' => 'month', 'against' => ['BU']],
                [
                    '2026-01: AC 40, BU 35; BU 5', '2026-02: AC 5, BU 10; BU –', '= total 45; BU 5',
                    '- February is not over; the budget is by month, so it is not compared',
                ],
            ),
            'both last days of February are prior year of the 28th' => new Example(
                'Day,Amount 2024-02-28,1 2024-02-29,2 2025-02-28,4',
                ['by' => 'month', 'against' => ['PY'], 'span' => ['from' => '2025', 'to' => '2025']],
                ['2025-02: AC 4, PY 3; PY 1'],
            ),
            'the leap year holds the whole month before' => new Example(
                'Day,Amount 2023-02-27,1 2023-02-28,2 2024-02-29,10',
                ['by' => 'month', 'against' => ['PY'], 'span' => ['from' => '2024', 'to' => '2024']],
                ['2024-02: AC 10, PY 3; PY 7'],
            ),
        ];
    }

    /** @return array<string, Example> */
    private static function weeks(): array
    {
        return [
            'a week has the week of its number, the 53rd none' => new Example(
                'Week,Amount 2019-W52,5 2020-W01,7 2020-W53,8 2021-W01,9',
                ['by' => 'week', 'against' => ['PY'], 'span' => ['from' => '2020-12', 'to' => '2021-01']],
                [
                    '2020-W52: AC –, PY 5; PY –', '2020-W53: AC 8, PY –; PY –', '2021-W01: AC 9, PY 7; PY 2',
                    '- W52 2020: prior year only; W53 2020: actual only, so not compared',
                    '"Amount in W1 2021: 9, 2 (28.6 %) above prior year."',
                ],
            ),
            'a week is in one year' => new Example(
                'Week,Amount 2025-W52,1 2026-W01,10 2026-W02,100',
                ['by' => 'month', 'span' => ['from' => '2025', 'to' => '2025']],
                ['2025-12: AC 1', '= total 1'],
            ),
        ];
    }

    /** @return array<string, Example> */
    private static function closings(): array
    {
        return [
            'a closing before the last actual cuts rows and totals' => new Example(
                'Month,Customer,Amount 2026-01,A,10 2026-02,A,100',
                ['by' => 'Customer', 'closedThrough' => '2026-01'],
                ['A: AC 10', '= total 10', '"Amount in Jan 2026: 10."'],
            ),
            'a running total by quarter ends with the closing' => new Example(
                'Month,Scenario,Amount 2026-01,AC,10 2026-01,BU,9 2026-02,AC,10 2026-02,BU,9 2026-03,BU,50'.
                    ' 2026-03,FC,70',
                ['by' => 'quarter', 'against' => ['BU'], 'span' => 'year to date', 'cumulate' => 'year to date'],
                [
                    '2026-Q1: AC 20, BU 18, own 20; BU 2',
                    '= total 20; BU 2',
                    '"Amount in Jan–Feb 2026: 20, 2 (11.1 %) above budget."',
                ],
            ),
            'a landing without two months' => new Example(
                'Month,Scenario,Amount 2026-01,AC,10 2026-02,AC,10 2026-03,AC,10 2026-04,AC,10 2026-07,FC,20'.
                    ' 2026-08,FC,20 2026-09,FC,20 2026-10,FC,20 2026-11,FC,20 2026-12,FC,20',
                ['by' => 'month', 'forecast' => 'FC'],
                [
                    '= landing 160',
                    '- Neither actual nor forecast has May and June, so that the year is said without',
                    '"With the forecast, 2026 without May and June comes to 160."',
                ],
            ),
            'a quarter of forecast alone' => new Example(
                'Month,Scenario,Amount 2025-12,AC,1 2026-01,FC,10 2026-02,FC,10 2026-03,FC,10',
                ['by' => 'quarter', 'forecast' => 'FC', 'span' => ['from' => '2026', 'to' => '2026']],
                ['2026-Q1: AC –, FC 30', '= total 30', '"Amount in Jan–Mar 2026: 30."'],
            ),
            'a hat by quarter takes what both have' => new Example(
                'Month,Class,Amount 2026-01,Seat,10 2026-02,Seat,20 2026-02,Berth,5 2026-03,Berth,7',
                ['by' => 'quarter', 'between' => ['field' => 'Class', 'first' => 'Seat', 'second' => 'Berth']],
                [
                    '2026-Q1: first 30, second 12; change -18',
                    '"Berth, amount in Jan–Mar 2026: 12, 18 (60.0 %) below Seat."',
                ],
                'hat',
            ),
            'a partly imported prior year' => new Example(
                'Month,Scenario,Amount 2025-01,AC,1 2025-02,AC,2 2026-01,AC,10 2026-02,AC,10 2026-01,PY,5',
                ['by' => 'month', 'against' => ['PY'], 'span' => ['from' => '2026', 'to' => '2026']],
                [
                    '2026-01: AC 10, PY 5; PY 5', '2026-02: AC 10, PY 2; PY 8', '= total 20; PY 13',
                    '+ Prior year came in for some periods; for Feb it is the actual of one year earlier',
                ],
            ),
            'a budget for part of the months' => new Example(
                'Month,Scenario,Amount 2026-01,AC,10 2026-02,AC,10 2026-02,BU,9',
                ['by' => 'month', 'against' => ['BU']],
                [
                    '2026-01: AC 10, BU –; BU –', '2026-02: AC 10, BU 9; BU 1', '= total 20; BU 1',
                    '- Jan: actual only, so not compared',
                    '"Amount in Jan–Feb 2026: 20, 1 (11.1 %) above budget where both have figures."',
                ],
            ),
        ];
    }

    /** @return array<string, Example> */
    private static function rules(): array
    {
        return [
            'scores are averaged over members' => new Example(
                'Store,Month,Score A,2026-01,80 B,2026-01,90',
                ['by' => 'Store'],
                ['A: AC 80', 'B: AC 90', 'total: AC 85', '+ The total is the mean of all figures, each counting once'],
                mapping: ['measures' => ['Score' => ['grouping' => 'average', 'overMembers' => 'average']]],
            ),
            'a member without a score is missing' => new Example(
                'Store,Month,Scenario,Score A,2026-01,AC,80 B,2026-01,AC,90 A,2026-01,BU,70',
                ['by' => 'Store', 'against' => ['BU']],
                [
                    'A: AC 80, BU 70; BU 10', 'B: AC 90, BU –; BU –', 'total: AC 85, BU 70; BU 10',
                    '- B has figures of one side only, not compared with budget',
                    '"Score in Jan 2026: 85, 10 (14.3 %) above budget where both have figures."',
                ],
                mapping: ['measures' => ['Score' => ['grouping' => 'average', 'overMembers' => 'average']]],
            ),
            'variances of averages are reckoned from fractions' => new Example(
                'Month,Scenario,Stock 2026-01,AC,1 2026-02,AC,1 2026-03,AC,2 2026-01,BU,1 2026-02,BU,1 2026-03,BU,3',
                ['by' => 'quarter', 'against' => ['BU']],
                ['2026-Q1: AC 1.333333, BU 1.666667; BU -0.333333'],
                mapping: ['measures' => ['Stock' => ['grouping' => 'average']]],
            ),
            'variances of rates are reckoned from fractions' => new Example(
                'Month,Scenario,Used,Offered 2026-01,AC,1,3 2026-01,BU,2,3',
                ['by' => 'month', 'measure' => 'Rate', 'against' => ['BU']],
                [
                    '2026-01: AC 33.333333, BU 66.666667; BU -33.333333',
                    '"Rate in Jan 2026: 33.3 %, 33.3 pp below budget."',
                ],
                mapping: [
                    'measures' => [
                        'Rate' => ['grouping' => 'ratio', 'numerator' => 'Used', 'denominator' => 'Offered'],
                    ],
                ],
            ),
        ];
    }
}
