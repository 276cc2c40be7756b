<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Kind;

use KeenMargin\Core\Figures\LineRole;

/** Waterfalls worked out by hand. */
final class WaterfallExamples
{
    private const LINES = [
        'Fares' => LineRole::Adds,
        'Fuel' => LineRole::TakesAway,
        'Crew' => LineRole::TakesAway,
        'Port fees' => LineRole::TakesAway,
        'Result' => LineRole::Subtotal,
        'Margin' => LineRole::Subtotal,
    ];
    private const CUSTOMERS =
        "Month,Customer,Actual,Budget\n".
        "2026-01,Ann,100,\n2026-02,Ann,,120\n2026-01,Bob,50,60\n2026-02,Bob,50,60\n2026-01,Cid,,40\n";
    private const DRIVEN = ['volume' => 'Bookings', 'value' => 'Revenue'];
    private const YEARS = ['fromPeriod' => '2025', 'toPeriod' => '2026'];
    private const STOCK = ['measures' => ['Amount' => ['grouping' => 'last']]];

    /** @return iterable<string, WaterfallExample> */
    public static function all(): iterable
    {
        yield from self::lists();
        yield from self::scenarios();
        yield from self::statements();
        yield from self::drivers();
        yield from self::time();
        yield from self::ratios();
        yield from self::buildUps();
    }

    /** @return iterable<string, WaterfallExample> */
    private static function lists(): iterable
    {
        yield 'a list whose running total falls below nought' => new WaterfallExample(
            'bridge',
            "Name,Amount\nOpening,120\nFares,40\nFuel,-70\nCrew,-110\nFreight,45\n",
            ['by' => 'Name'],
            [
                'Opening start 0 120', 'Fares step 120 160', 'Fuel step 160 90', 'Crew step 90 -20',
                'Freight step -20 25', 'end end 0 25',
            ],
        );
        yield 'a stated end that does not tie' => new WaterfallExample(
            'bridge',
            "Name,Amount\nStart,120\nFares,30\nFuel,-10\nEnd,150\n",
            ['by' => 'Name'],
            [
                'Start start 0 120', 'Fares step 120 150', 'Fuel step 150 140', 'unexplained unexplained 140 150',
                'End end 0 150',
            ],
            ['unexplained'],
        );
        yield 'a stated subtotal that does not tie' => new WaterfallExample(
            'bridge',
            "Name,Amount\nStart,10\nA,5\nSubtotal,16\nB,4\nTotal,20\n",
            ['by' => 'Name'],
            [
                'Start start 0 10', 'A step 10 15', 'unexplained:Subtotal unexplained 15 16', 'Subtotal subtotal 0 16',
                'B step 16 20', 'Total end 0 20',
            ],
            ['unexplained'],
        );
        yield 'a list without a start, whose total ties' => new WaterfallExample(
            'build-up',
            "Name,Amount\nA,5\nB,-2\nTotal,3\n",
            ['by' => 'Name'],
            ['A step 0 5', 'B step 5 3', 'Total end 0 3'],
        );
        yield 'a statement by hand, whose rows are known by being sums' => new WaterfallExample(
            'build-up',
            "Line,Amount\nFares,900\nFuel,-310\nCrew,-270\nMargin,320\nDues,-90\nResult,230\n",
            ['by' => 'Line'],
            [
                'Fares step 0 900', 'Fuel step 900 590', 'Crew step 590 320', 'Margin subtotal 0 320',
                'Dues step 320 230', 'Result end 0 230',
            ],
        );
        yield 'from one year to the next, by the names of the rows' => new WaterfallExample(
            'bridge',
            "Step,Amount\n2025,120\nPrice,30\nVolume,4\n2026,150\n",
            ['by' => 'Step'],
            [
                '2025 start 0 120', 'Price step 120 150', 'Volume step 150 154', 'unexplained unexplained 154 150',
                '2026 end 0 150',
            ],
            ['unexplained'],
        );
        yield 'from budget to actual, by the names of the rows' => new WaterfallExample(
            'bridge',
            "Step;Amount\nBudget 2026;1.120,50\nNorth;30,00\nActual 2026;1.150,50\n",
            ['by' => 'Step'],
            ['Budget 2026 start 0 1120.5', 'North step 1120.5 1150.5', 'Actual 2026 end 0 1150.5'],
        );
        yield 'a total that is written above its rows' => new WaterfallExample(
            'build-up',
            "Route,Amount\nTotal,150\nNorth,100\nHolm,50\n",
            ['by' => 'Route'],
            ['North step 0 100', 'Holm step 100 150', 'Total end 0 150'],
        );
        yield 'round figures that are sums by chance stay steps' => new WaterfallExample(
            'build-up',
            "Route,Amount\nNorth,10\nHolm,20\nSound,30\nOuter,40\n",
            ['by' => 'Route'],
            ['North step 0 10', 'Holm step 10 30', 'Sound step 30 60', 'Outer step 60 100', 'end end 0 100'],
        );
        yield 'rows that the reader says what they are' => new WaterfallExample(
            'bridge',
            "Name,Amount\nLast year,10\nA,5\nHalf way,15\nB,-20\n",
            ['by' => 'Name', 'roles' => ['Last year' => 'start', 'Half way' => 'subtotal']],
            ['Last year start 0 10', 'A step 10 15', 'Half way subtotal 0 15', 'B step 15 -5', 'end end 0 -5'],
        );
    }

    /** @return iterable<string, WaterfallExample> */
    private static function scenarios(): iterable
    {
        $bridge = ['bridge' => ['from' => 'BU', 'to' => 'AC']];
        yield 'customers who buy in other months than budgeted' => new WaterfallExample(
            'bridge',
            self::CUSTOMERS,
            [...$bridge, 'by' => 'Customer'],
            ['start start 0 280', 'Ann step 280 260', 'Bob step 260 240', 'Cid step 240 200', 'end end 0 200'],
        );
        yield 'the same by month' => new WaterfallExample(
            'bridge',
            self::CUSTOMERS,
            [...$bridge, 'by' => 'month'],
            ['start start 0 280', '2026-01 step 280 330', '2026-02 step 330 200', 'end end 0 200'],
        );
        yield 'a month that only the budget covers' => new WaterfallExample(
            'bridge',
            str_replace(['2026-02,Bob,50,60'], ['2026-02,Bob,,60'], self::CUSTOMERS),
            [...$bridge, 'by' => 'Customer'],
            ['start start 0 100', 'Ann step 100 200', 'Bob step 200 190', 'Cid step 190 150', 'end end 0 150'],
            ['left-out'],
        );
        $three = "Month,Route,Actual,Budget,Forecast\n2026-01,A,11,10,12\n2026-01,B,25,20,18\n";
        yield 'three totals' => new WaterfallExample(
            'bridge',
            $three,
            ['bridge' => ['from' => 'BU', 'to' => 'AC', 'through' => ['FC']], 'by' => 'Route'],
            [
                'start start 0 30', 'A step 30 32', 'B step 32 30', 'through:FC subtotal 0 30', '\\1:A step 30 29',
                '\\1:B step 29 36', 'end end 0 36',
            ],
        );
        yield 'three totals, of periods that all of them cover' => new WaterfallExample(
            'bridge',
            $three."2026-02,A,7,8,\n",
            ['bridge' => ['from' => 'BU', 'to' => 'AC', 'through' => ['FC']], 'by' => 'month'],
            [
                'start start 0 30', '2026-01 step 30 30', 'through:FC subtotal 0 30', '\\1:2026-01 step 30 36',
                'end end 0 36',
            ],
            ['left-out'],
        );
        yield 'from nought' => new WaterfallExample(
            'bridge',
            "Month,Route,Actual,Budget\n2026-01,A,5,0\n",
            [...$bridge, 'by' => 'Route'],
            ['start start 0 0', 'A step 0 5', 'end end 0 5'],
        );
        yield 'all below nought' => new WaterfallExample(
            'bridge',
            "Month,Route,Actual,Budget\n2026-01,A,-20,-5\n2026-01,B,-10,-15\n",
            [...$bridge, 'by' => 'Route'],
            ['start start 0 -20', 'A step -20 -35', 'B step -35 -30', 'end end 0 -30'],
        );
        yield 'from above to below nought' => new WaterfallExample(
            'bridge',
            "Month,Route,Actual,Budget\n2026-01,A,-20,5\n2026-01,B,10,1\n",
            [...$bridge, 'by' => 'Route'],
            ['start start 0 6', 'A step 6 -19', 'B step -19 -10', 'end end 0 -10'],
        );
        yield 'no difference' => new WaterfallExample(
            'bridge',
            "Month,Route,Actual,Budget\n2026-01,A,5,5\n",
            [...$bridge, 'by' => 'Route'],
            ['start start 0 5', 'A step 5 5', 'end end 0 5'],
        );
        yield 'a side that has no figures' => new WaterfallExample(
            'bridge',
            "Month,Route,Actual,Budget\n2026-01,A,5,\n2026-02,A,,7\n",
            [...$bridge, 'by' => 'Route', 'span' => ['from' => '2026-01', 'to' => '2026-01']],
            [],
            ['total-missing', 'left-out'],
        );
        $five =
            "Month,Route,Actual,Budget\n2026-01,A,11,10\n2026-01,B,4,10\n2026-01,C,10,7\n2026-01,D,9,7\n".
            "2026-01,E,2,4\n";
        yield 'the two largest, the others together' => new WaterfallExample(
            'bridge',
            $five,
            [...$bridge, 'by' => 'Route', 'top' => 2],
            ['start start 0 38', 'B step 38 32', 'C step 32 35', 'other other 35 36', 'end end 0 36'],
        );
        yield 'the largest first, by their size' => new WaterfallExample(
            'bridge',
            $five,
            [...$bridge, 'by' => 'Route', 'order' => 'largest first'],
            [
                'start start 0 38', 'B step 38 32', 'C step 32 35', 'D step 35 37', 'E step 37 35', 'A step 35 36',
                'end end 0 36',
            ],
        );
        yield 'what is for the better first' => new WaterfallExample(
            'bridge',
            $five,
            [...$bridge, 'by' => 'Route', 'order' => 'favourable first'],
            [
                'start start 0 38', 'C step 38 41', 'D step 41 43', 'A step 43 44', 'E step 44 42', 'B step 42 36',
                'end end 0 36',
            ],
        );
        yield 'an order by hand, and a subtotal' => new WaterfallExample(
            'bridge',
            $five,
            [...$bridge, 'by' => 'Route', 'sequence' => ['E', 'D'], 'subtotals' => ['D']],
            [
                'start start 0 38', 'E step 38 36', 'D step 36 38', 'subtotal:D subtotal 0 38', 'A step 38 39',
                'B step 39 33', 'C step 33 36', 'end end 0 36',
            ],
        );
        yield 'a step opened into its own, and one of these' => new WaterfallExample(
            'bridge',
            "Month,Route,Class,Actual,Budget\n2026-01,A,Foot,5,3\n2026-02,A,Foot,2,1\n2026-01,A,Car,4,6\n".
                "2026-01,B,Car,8,7\n".
                "2026-02,B,Car,1,1\n",
            [
                ...$bridge,
                'by' => 'Route',
                'opened' => [
                    ['step' => 'A', 'by' => 'Class'], ['step' => ['row' => 'Foot', 'within' => ['A']], 'by' => 'month'],
                ],
            ],
            [
                'start start 0 18', 'A step 18 19', 'A\\>Foot step 18 21', 'A\\>Foot\\>2026-01 step 18 20',
                'A\\>Foot\\>2026-02 step 20 21', 'A\\>Car step 21 19', 'B step 19 20', 'end end 0 20',
            ],
        );
        yield 'two members' => new WaterfallExample(
            'bridge',
            "Month,Route,Class,Actual\n2026-01,North,Foot,10\n2026-01,Holm,Foot,20\n2026-01,North,Car,15\n".
                "2026-01,Holm,Car,5\n",
            ['by' => 'Route', 'bridge' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Car']],
            ['start start 0 30', 'North step 30 35', 'Holm step 35 20', 'end end 0 20'],
        );
    }

    /** @return iterable<string, WaterfallExample> */
    private static function statements(): iterable
    {
        $statement = static fn (string $fuel, string $more = ''): string => "Month,Line,Actual\n2026-01,Fares,900\n".
            "2026-01,Fuel,$fuel\n2026-01,Crew,270\n2026-01,Port fees,90\n$more";
        $rows = [
            'Fares step 0 900', 'Fuel step 900 590', 'Crew step 590 320', 'subtotal:Crew subtotal 0 320',
            'Port fees step 320 230', 'end end 0 230',
        ];
        foreach (['costs above nought' => '310', 'costs below nought' => '-310'] as $name => $fuel) {
            yield "a statement with $name" => new WaterfallExample(
                'statement', $statement($fuel), ['by' => 'Line', 'subtotals' => ['Crew']], $rows, lines: self::LINES,
            );
        }
        yield 'a cost with both signs' => new WaterfallExample(
            'statement',
            $statement('310', "2026-02,Fuel,-5\n"),
            ['by' => 'Line'],
            ['Fares step 0 900', 'Fuel step 900 595', 'Crew step 595 325', 'Port fees step 325 235', 'end end 0 235'],
            ['mixed-signs'],
            lines: self::LINES,
        );
        yield 'a result that the file states itself' => new WaterfallExample(
            'statement',
            $statement('310', "2026-01,Result,230\n"),
            ['by' => 'Line'],
            ['Fares step 0 900', 'Fuel step 900 590', 'Crew step 590 320', 'Port fees step 320 230', 'end end 0 230'],
            lines: self::LINES,
        );
        yield 'a result that the file states otherwise' => new WaterfallExample(
            'statement',
            $statement('310', "2026-01,Result,231\n"),
            ['by' => 'Line'],
            ['Fares step 0 900', 'Fuel step 900 590', 'Crew step 590 320', 'Port fees step 320 230', 'end end 0 230'],
            ['statement-ties'],
            lines: self::LINES,
        );
        yield 'a subtotal in the middle, as the file has it' => new WaterfallExample(
            'statement',
            "Month,Line,Actual\n2026-01,Fares,900\n2026-01,Fuel,310\n2026-01,Margin,590\n2026-01,Crew,270\n",
            ['by' => 'Line'],
            [
                'Fares step 0 900', 'Fuel step 900 590', 'subtotal:Fuel subtotal 0 590', 'Crew step 590 320',
                'end end 0 320',
            ],
            lines: self::LINES,
        );
        $two = "Month,Line,Actual,Budget\n2026-01,Fares,900,950\n2026-01,Fuel,310,-350\n2026-01,Crew,270,-260\n";
        yield 'a bridge by lines, costs of both signs by scenario' => new WaterfallExample(
            'bridge',
            $two,
            ['by' => 'Line', 'bridge' => ['from' => 'BU', 'to' => 'AC']],
            ['start start 0 340', 'Fares step 340 290', 'Fuel step 290 330', 'Crew step 330 320', 'end end 0 320'],
            lines: self::LINES,
        );
        yield 'a bridge of the result by another breakdown' => new WaterfallExample(
            'bridge',
            "Month,Line,Route,Actual,Budget\n2026-01,Fares,A,90,80\n2026-01,Fuel,A,30,20\n".
                "2026-01,Fares,B,50,55\n2026-01,Fuel,B,60,50\n",
            ['by' => 'Route', 'bridge' => ['from' => 'BU', 'to' => 'AC']],
            ['start start 0 65', 'A step 65 65', 'B step 65 50', 'end end 0 50'],
            lines: self::LINES,
        );
        yield 'subtotals at the ends of groups' => new WaterfallExample(
            'statement',
            $statement('310'),
            ['by' => 'Line', 'subtotals' => 'group'],
            [
                'Fares step 0 900', 'subtotal:Fares subtotal 0 900', 'Fuel step 900 590', 'Crew step 590 320',
                'subtotal:Crew subtotal 0 320', 'Port fees step 320 230', 'end end 0 230',
            ],
            lines: self::LINES,
            groups: ['Fares' => 'Income', 'Fuel' => 'Running', 'Crew' => 'Running', 'Port fees' => 'Fixed'],
        );
    }

    /** @return iterable<string, WaterfallExample> */
    private static function drivers(): iterable
    {
        $head = "Year,Line,Bookings,Revenue (EUR)\n";
        $asked = ['measure' => 'Revenue', 'by' => 'Line', 'bridge' => self::YEARS, 'drivers' => self::DRIVEN];
        yield 'volume, mix and rate' => new WaterfallExample(
            'bridge',
            $head."2025,A,100,1000\n2025,B,50,2000\n2026,A,120,1320\n2026,B,30,1260\n",
            [
                ...$asked,
                'opened' => [
                    ['step' => ['sum' => 'mix'], 'by' => 'Line'], ['step' => ['sum' => 'rate'], 'by' => 'Line'],
                ],
            ],
            [
                'start start 0 3000', 'volume step 3000 3000', 'mix step 3000 2400', '\\mix\\>A step 3000 3200',
                '\\mix\\>B step 3200 2400', 'rate step 2400 2580', '\\rate\\>A step 2400 2520',
                '\\rate\\>B step 2520 2580', 'end end 0 2580',
            ],
        );
        yield 'new and gone members' => new WaterfallExample(
            'bridge',
            $head."2025,A,10,100\n2025,B,5,50\n2026,A,12,132\n2026,C,4,60\n",
            $asked,
            [
                'start start 0 150', 'volume step 150 170', 'mix step 170 170', 'rate step 170 182', 'new new 182 242',
                'gone gone 242 192', 'end end 0 192',
            ],
        );
        yield 'a rate of nought' => new WaterfallExample(
            'bridge',
            $head."2025,A,10,0\n2025,B,10,100\n2026,A,20,40\n2026,B,10,100\n",
            $asked,
            ['start start 0 100', 'volume step 100 150', 'mix step 150 100', 'rate step 100 140', 'end end 0 140'],
        );
        yield 'what rounding leaves goes to mix' => new WaterfallExample(
            'bridge',
            $head."2025,A,1,1\n2025,B,2,9\n2026,A,1,2\n2026,B,3,8\n",
            $asked,
            ['start start 0 10', 'volume step 10 13', 'mix step 13 15', 'rate step 15 10', 'end end 0 10'],
        );
        yield 'volumes that come to nought' => new WaterfallExample(
            'bridge',
            $head."2025,A,5,50\n2025,B,-5,30\n2026,A,10,120\n2026,B,-5,30\n",
            $asked,
            ['start start 0 80', 'volume step 80 80', 'mix step 80 130', 'rate step 130 150', 'end end 0 150'],
        );
        yield 'price and currency' => new WaterfallExample(
            'bridge',
            "Year,Line,Bookings,Revenue (EUR),Exchange\n2025,A,10,100,2\n2026,A,10,150,2.5\n",
            [...$asked, 'drivers' => [...self::DRIVEN, 'currency' => 'Exchange']],
            [
                'start start 0 100', 'volume step 100 100', 'mix step 100 100', 'rate step 100 120',
                'currency step 120 150', 'end end 0 150',
            ],
        );
    }

    /** @return iterable<string, WaterfallExample> */
    private static function time(): iterable
    {
        $flow = "Month,Actual\n2025-11,10\n2025-12,20\n2026-01,5\n";
        yield 'movements over a year end' => new WaterfallExample(
            'bridge',
            $flow,
            [
                'by' => 'month',
                'bridge' => ['over' => 'periods'],
                'span' => ['from' => '2025-12', 'to' => '2026-01'],
                'subtotals' => 'year',
            ],
            [
                'start start 0 10', '2025-12 step 10 30', 'subtotal:2025-12 subtotal 0 30', '2026-01 step 30 35',
                'end end 0 35',
            ],
        );
        yield 'a balance' => new WaterfallExample(
            'bridge',
            "Month,Actual\n2026-01,100\n2026-02,120\n2026-03,90\n",
            ['by' => 'month', 'bridge' => ['over' => 'periods'], 'span' => ['from' => '2026-02', 'to' => '2026-03']],
            ['start start 0 100', '2026-02 step 100 120', '2026-03 step 120 90', 'end end 0 90'],
            mapping: self::STOCK,
        );
        $stated = static fn (
            string $closing,
        ): string => "Month,Moved,Balance\n2026-01,10,110\n2026-02,5,115\n2026-03,-20,$closing\n";
        foreach (['ties' => '95', 'does not tie' => '97'] as $how => $closing) {
            yield "movements with a stated closing value that $how" => new WaterfallExample(
                'bridge',
                $stated($closing),
                [
                    'measure' => 'Moved',
                    'by' => 'month',
                    'bridge' => ['over' => 'periods', 'balance' => 'Balance'],
                    'span' => ['from' => '2026-02', 'to' => '2026-03'],
                ],
                [
                    'start start 0 110',
                    '2026-02 step 110 115',
                    '2026-03 step 115 95',
                    ...'95' === $closing ? [] : ['unexplained unexplained 95 97'],
                    "end end 0 $closing",
                ],
                fails: '95' === $closing ? [] : ['unexplained'],
                mapping: ['measures' => ['Balance' => ['grouping' => 'last']]],
            );
        }
        $years = "Month,Route,Actual\n2025-01,A,10\n2025-02,A,20\n2025-03,A,30\n2026-01,A,11\n2026-02,A,22\n";
        yield 'year on year, of the months that both have' => new WaterfallExample(
            'bridge',
            $years,
            ['by' => 'month', 'bridge' => self::YEARS],
            ['start start 0 30', '2026-01 step 30 31', '2026-02 step 31 33', 'end end 0 33'],
            ['left-out'],
        );
        yield 'the year to date on the year' => new WaterfallExample(
            'bridge',
            $years,
            ['by' => 'Route', 'bridge' => ['fromPeriod' => 'a year before', 'toPeriod' => 'year to date']],
            ['start start 0 30', 'A step 30 33', 'end end 0 33'],
        );
        yield 'February to February' => new WaterfallExample(
            'bridge',
            $years,
            ['by' => 'Route', 'bridge' => ['fromPeriod' => '2025-02', 'toPeriod' => '2026-02']],
            ['start start 0 20', 'A step 20 22', 'end end 0 22'],
        );
        yield 'a quarter to a month, as they are' => new WaterfallExample(
            'bridge',
            $years,
            ['by' => 'Route', 'bridge' => ['fromPeriod' => '2025-Q1', 'toPeriod' => '2026-02']],
            ['start start 0 60', 'A step 60 22', 'end end 0 22'],
        );
    }

    /** @return iterable<string, WaterfallExample> */
    private static function ratios(): iterable
    {
        $mapping = ['measures' => ['Rate' => ['grouping' => 'ratio', 'numerator' => 'Met', 'denominator' => 'All']]];
        $asked = ['measure' => 'Rate', 'by' => 'Route', 'bridge' => ['from' => 'BU', 'to' => 'AC']];
        yield 'a ratio in points' => new WaterfallExample(
            'bridge',
            "Month,Scenario,Route,Met,All\n2026-01,AC,A,90,100\n2026-01,AC,B,10,50\n2026-01,BU,A,80,100\n".
                "2026-01,BU,B,40,50\n",
            $asked,
            ['start start 0 80', 'A step 80 86.666667', 'B step 86.666667 66.666667', 'end end 0 66.666667'],
            mapping: $mapping,
        );
        yield 'a ratio whose members grow differently' => new WaterfallExample(
            'bridge',
            "Month,Scenario,Route,Met,All\n2026-01,AC,A,100,200\n2026-01,AC,B,90,100\n2026-01,BU,A,50,100\n".
                "2026-01,BU,B,90,100\n",
            $asked,
            ['start start 0 70', 'A step 70 66.666667', 'B step 66.666667 63.333333', 'end end 0 63.333333'],
            mapping: $mapping,
        );
    }

    /** @return iterable<string, WaterfallExample> */
    private static function buildUps(): iterable
    {
        yield 'members to a grand total' => new WaterfallExample(
            'build-up',
            "Month,Route,Actual\n2026-01,A,30\n2026-02,A,20\n2026-01,B,-10\n2026-01,C,60\n",
            ['by' => 'Route', 'order' => 'largest first'],
            ['C step 0 60', 'A step 60 110', 'B step 110 100', 'end end 0 100'],
        );
        yield 'months, then forecast, with quarters' => new WaterfallExample(
            'build-up',
            "Month,Actual,Forecast\n2026-02,5,\n2026-03,7,\n2026-04,,8\n",
            ['by' => 'month', 'forecast' => 'FC', 'subtotals' => 'quarter'],
            [
                '2026-02 step 0 5', '2026-03 step 5 12', 'subtotal:2026-03 subtotal 0 12', '2026-04 step 12 20',
                'end end 0 20',
            ],
        );
        yield 'the largest, the others together' => new WaterfallExample(
            'build-up',
            "Month,Route,Actual\n2026-01,A,3\n2026-01,B,-9\n2026-01,C,4\n",
            ['by' => 'Route', 'top' => 1],
            ['B step 0 -9', 'other other -9 -2', 'end end 0 -2'],
        );
        yield 'one member' => new WaterfallExample(
            'build-up', "Month,Route,Actual\n2026-01,A,3\n", ['by' => 'Route'], ['A step 0 3', 'end end 0 3'],
        );
        yield 'a month without figures' => new WaterfallExample(
            'build-up',
            "Month,Actual\n2026-01,3\n2026-03,4\n",
            ['by' => 'month'],
            ['2026-01 step 0 3', '2026-03 step 3 7', 'end end 0 7'],
            ['none-missing'],
        );
    }
}
