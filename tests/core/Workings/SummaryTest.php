<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Workings\Result\LinkedText;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\RandomMembers;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the chart says in words: worked examples, and that nothing is said which the workings do not have. */
final class SummaryTest extends TestCase
{
    /**
     * @return iterable<string, array{string, array<string, mixed>, list<string>}> months as
     *                                                                             ACTUAL/BUDGET/FORECAST/PRIOR YEAR
     */
    public static function examples(): iterable
    {
        yield 'above budget' => [
            '302/310 311/298',
            ['against' => ['BU']],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
            ],
        ];
        yield 'below budget' => [
            '302/310 295/298',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 597, 11 (1.8 %) below budget.', 'Most against it: Jan (−8).'],
        ];
        yield 'a cost above budget' => [
            '302/310 311/298',
            ['against' => ['BU'], 'better' => 'less'],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Jan (−8); most against it: Feb (+13).',
            ],
        ];
        yield 'a cost below budget throughout' => [
            '302/310 295/298',
            ['against' => ['BU'], 'better' => 'less'],
            ['Amount in Jan–Feb 2026: 597, 11 (1.8 %) below budget.', 'Most for it: Jan (−8).'],
        ];
        yield 'equal in sum, not in rows' => [
            '302/310 318/310',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 620, equal to budget.', 'Most for it: Feb (+8); most against it: Jan (−8).'],
        ];
        yield 'equal throughout' => [
            '310/310 310/310',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 620, equal to budget.', 'No row differs from budget.'],
        ];
        yield 'one month' => [
            '302/310',
            ['against' => ['BU']],
            ['Amount in Jan 2026: 302, 8 (2.6 %) below budget.', 'Most against it: Jan (−8).'],
        ];
        yield 'one month, equal' => ['310/310', ['against' => ['BU']], ['Amount in Jan 2026: 310, equal to budget.']];
        yield 'one month alone' => ['302', [], ['Amount in Jan 2026: 302.']];
        yield 'nothing to compare with' => [
            '302 311', [], ['Amount in Jan–Feb 2026: 613.', 'Largest: Feb (311); smallest: Jan (302).'],
        ];
        yield 'all equal, nothing to compare with' => [
            '302 302', [], ['Amount in Jan–Feb 2026: 604.', 'All rows are equal.'],
        ];
        yield 'a zero reference' => [
            '302/0 311/298',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 613, 315 (105.7 %) above budget.', 'Most for it: Jan (+302).'],
        ];
        yield 'only zero references' => [
            '302/0 311/0',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 613, 613 above budget.', 'Most for it: Feb (+311).'],
        ];
        yield 'zero actuals' => [
            '0/310 0/298',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 0, 608 (100.0 %) below budget.', 'Most against it: Jan (−310).'],
        ];
        yield 'all nought' => [
            '0/0 0/0',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 0, equal to budget.', 'No row differs from budget.'],
        ];
        yield 'a tiny reference' => [
            '302/0.01 311/0.02',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 613, 613 above budget.', 'Most for it: Feb (+311).'],
        ];
        yield 'a tiny variance' => [
            '302000000/302000001 311000000/311000000',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 613 m, just below budget.'],
        ];
        yield 'negative results' => [
            '-302/-310 -311/-298',
            ['against' => ['BU']],
            [
                'Amount in Jan–Feb 2026: −613, 5 (0.8 %) below budget.',
                'Most for it: Jan (+8); most against it: Feb (−13).',
            ],
        ];
        yield 'from loss to profit' => [
            '12/-310 20/-298',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 32, 640 (105.3 %) above budget.', 'Most for it: Jan (+322).'],
        ];
        yield 'third month below' => [
            '320/310 305/310 300/310 298/310',
            ['against' => ['BU']],
            [
                'Amount in Jan–Apr 2026: 1,223, 17 (1.4 %) below budget.',
                'Most for it: Jan (+10); most against it: Apr (−12).',
                'Apr is the third month in a row below budget, since Feb.',
            ],
        ];
        yield 'every month below' => [
            '300/310 305/310 300/310',
            ['against' => ['BU']],
            [
                'Amount in Jan–Mar 2026: 905, 25 (2.7 %) below budget.',
                'Most against it: Jan (−10).',
                'Every month from Jan to Mar is below budget.',
            ],
        ];
        yield 'every month above' => [
            '315/310 315/310 316/310',
            ['against' => ['BU']],
            [
                'Amount in Jan–Mar 2026: 946, 16 (1.7 %) above budget.',
                'Most for it: Mar (+6).',
                'Every month from Jan to Mar is above budget.',
            ],
        ];
        yield 'two months below are no run' => [
            '315/310 300/310 306/310',
            ['against' => ['BU']],
            [
                'Amount in Jan–Mar 2026: 921, 9 (1.0 %) below budget.',
                'Most for it: Jan (+5); most against it: Feb (−10).',
            ],
        ];
        yield 'turned above' => [
            '300/310 300/310 300/310 320/310',
            ['against' => ['BU']],
            [
                'Amount in Jan–Apr 2026: 1,220, 20 (1.6 %) below budget.',
                'Most for it: Apr (+10); most against it: Jan (−10).',
                'Apr is the first month above budget after three below it.',
            ],
        ];
        yield 'turned below' => [
            '320/310 320/310 300/310',
            ['against' => ['BU']],
            [
                'Amount in Jan–Mar 2026: 940, 10 (1.1 %) above budget.',
                'Most for it: Jan (+10); most against it: Mar (−10).',
                'Mar is the first month below budget after two above it.',
            ],
        ];
        yield 'no turn after one' => [
            '320/310 300/310 320/310',
            ['against' => ['BU']],
            [
                'Amount in Jan–Mar 2026: 940, 10 (1.1 %) above budget.',
                'Most for it: Jan (+10); most against it: Feb (−10).',
            ],
        ];
        yield 'a run broken by a gap' => [
            '300/310 300/310 /310 300/310',
            ['against' => ['BU']],
            [
                'Amount in Jan–Apr 2026: 900, 30 (3.2 %) below budget where both have figures.',
                'Most against it: Jan (−10).',
            ],
        ];
        yield 'a run broken by an equal month' => [
            '300/310 310/310 300/310 300/310',
            ['against' => ['BU']],
            ['Amount in Jan–Apr 2026: 1,210, 30 (2.4 %) below budget.', 'Most against it: Jan (−10).'],
        ];
        yield 'fifth quarter in a row' => [
            '5/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4',
            ['against' => ['BU'], 'by' => 'quarter'],
            [
                'Amount in Jan–Jun 2027: 6, 18 (75.0 %) below budget.',
                'Most against it: Q1 2027 (−9).',
                'Every quarter from Q1 2026 to Q2 2027 is below budget.',
            ],
        ];
        yield 'one flagged' => [
            '302/310 311/298',
            ['against' => ['BU'], 'flag' => ['percent' => '4']],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
                'Flagged: Feb.',
            ],
        ];
        yield 'two flagged' => [
            '302/310 311/298',
            ['against' => ['BU'], 'flag' => ['percent' => '2']],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
                'Flagged: Jan and Feb.',
            ],
        ];
        yield 'many flagged' => [
            '1/4 1/4 1/4 1/4 1/4 1/4 1/4 1/4',
            ['against' => ['BU'], 'flag' => ['percent' => '2']],
            [
                'Amount in Jan–Aug 2026: 8, 24 (75.0 %) below budget.', 'Most against it: Jan (−3).',
                'Every month from Jan to Aug is below budget.', 'Flagged: Jan, Feb, Mar, Apr, May, Jun and 2 more.',
            ],
        ];
        yield 'none flagged' => [
            '302/310 311/298',
            ['against' => ['BU'], 'flag' => ['percent' => '50']],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
            ],
        ];
        yield 'with forecast' => [
            '302/310 311/298 /300/305',
            ['against' => ['BU'], 'forecast' => 'FC'],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
                'With the forecast, 2026 without April–December comes to 918, 10 (1.1 %) above budget.',
            ],
        ];
        yield 'landing on budget' => [
            '302/310 311/298 /300/295',
            ['against' => ['BU'], 'forecast' => 'FC'],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
                'With the forecast, 2026 without April–December comes to 908, equal to budget.',
            ],
        ];
        yield 'forecast without budget after it' => [
            '302/310 311/298 //305',
            ['against' => ['BU'], 'forecast' => 'FC'],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
                'With the forecast, 2026 without April–December comes to 918, 5 (0.8 %) above budget where both have '.
                'figures.',
            ],
        ];
        yield 'a whole year with forecast' => [
            '302/310 311/298 /300/305 /1/1 /1/1 /1/1 /1/1 /1/1 /1/1 /1/1 /1/1 /1/1',
            ['against' => ['BU'], 'forecast' => 'FC'],
            [
                'Amount in Jan–Feb 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
                'With the forecast, 2026 lands at 927, 10 (1.1 %) above budget.',
            ],
        ];
        yield 'prior year' => [
            '302//302/280 311//311/290',
            ['against' => ['PY']],
            ['Amount in Jan–Feb 2026: 613, 43 (7.5 %) above prior year.', 'Most for it: Jan (+22).'],
        ];
        yield 'budget missing' => [
            '302 311',
            ['against' => ['BU']],
            ['Amount in Jan–Feb 2026: 613.', 'There is no budget to hold it against.'],
        ];
        yield 'budget missing in one month' => [
            '302/310 311',
            ['against' => ['BU']],
            [
                'Amount in Jan–Feb 2026: 613, 8 (2.6 %) below budget where both have figures.',
                'Most against it: Jan (−8).',
            ],
        ];
        yield 'actual missing in the middle' => [
            '302/310 /298 311/300',
            ['against' => ['BU']],
            [
                'Amount in Jan–Mar 2026: 613, 3 (0.5 %) above budget where both have figures.',
                'Most for it: Mar (+11); most against it: Jan (−8).',
            ],
        ];
        yield 'running total' => [
            '302/310 300/310 300/310 320/310',
            ['against' => ['BU'], 'cumulate' => 'year to date'],
            [
                'Amount in Jan–Apr 2026: 1,222, 18 (1.5 %) below budget.',
                'At its worst in Mar (−28).',
                'The running total has been below budget since Jan.',
            ],
        ];
        yield 'running total turned' => [
            '300/310 300/310 345/310',
            ['against' => ['BU'], 'cumulate' => 'year to date'],
            [
                'Amount in Jan–Mar 2026: 945, 15 (1.6 %) above budget.',
                'At its best in Mar (+15), at its worst in Feb (−20).',
                'Mar turned: its running total is above budget after two below it.',
            ],
        ];
        yield 'several years' => [
            '5/5 5/5 5/5 5/5 5/5 5/5 5/5 5/5 5/5 5/5 5/5 5/6 5/6 5/6',
            ['against' => ['BU']],
            [
                'Amount in Jan–Feb 2027: 10, 2 (16.7 %) below budget.',
                'Most against it: Jan 2027 (−1).',
                'Feb 2027 is the third month in a row below budget, since Dec 2026.',
            ],
        ];
        yield 'largest numbers' => [
            '302000000000/310000000000 311000000000/298000000000',
            ['against' => ['BU']],
            [
                'Amount in Jan–Feb 2026: 613 bn, 5 bn (0.8 %) above budget.',
                'Most for it: Feb (+13); most against it: Jan (−8).',
            ],
        ];
        yield 'decimals' => [
            '3.25/3.5 3.75/3.5',
            ['against' => ['BU']],
            [
                'Amount in Jan–Feb 2026: 7.00, equal to budget.',
                'Most for it: Feb (+0.25); most against it: Jan (−0.25).',
            ],
        ];
    }

    /**
     * @param array<string, mixed> $question
     * @param list<string> $statements
     */
    #[DataProvider('examples')]
    public function testMonthsReadAs(string $months, array $question, array $statements): void
    {
        self::assertSame($statements, Written::workings(self::csv($months), $question)->summary->texts());
    }

    /**
     * @return iterable<string, array{string, array<string, mixed>, string, list<string>}> routes as NAME=ACTUAL/BUDGET
     */
    public static function structures(): iterable
    {
        yield 'by route' => [
            'North=302/310 Holm=311/298',
            ['against' => ['BU'], 'by' => 'Route'],
            'variance-tiers',
            [
                'Amount in Jan 2026: 613, 5 (0.8 %) above budget.',
                'Most for it: Holm (+13); most against it: North (−8).',
            ],
        ];
        yield 'by route, alone' => [
            'North=302 Holm=311',
            ['by' => 'Route'],
            'variance-tiers',
            ['Amount in Jan 2026: 613.', 'Largest: Holm (311); smallest: North (302).'],
        ];
        yield 'with a route that budget does not have' => [
            'North=302/310 Holm=311',
            ['against' => ['BU'], 'by' => 'Route'],
            'variance-tiers',
            [
                'Amount in Jan 2026: 613, 303 (97.7 %) above budget.',
                'Most for it: Holm (+311); most against it: North (−8).',
            ],
        ];
        yield 'the largest and others' => [
            'A=9/8 B=5/5 C=1/2',
            ['against' => ['BU'], 'by' => 'Route', 'top' => 1],
            'variance-tiers',
            ['Amount in Jan 2026: 15, equal to budget.', 'Most for it: A (+1); most against it: Other (2) (−1).'],
        ];
        yield 'a hat' => [
            'North=302 Holm=311',
            ['by' => 'month', 'between' => ['field' => 'Route', 'first' => 'North', 'second' => 'Holm']],
            'hat',
            ['Holm, amount in Jan 2026: 311, 9 (3.0 %) above North.', 'Most for it: Jan (+9).'],
        ];
    }

    /**
     * @param array<string, mixed> $question
     * @param list<string> $statements
     */
    #[DataProvider('structures')]
    public function testMembersReadAs(string $routes, array $question, string $kind, array $statements): void
    {
        $csv = "Month,Route,Actual,Budget\n";
        foreach (explode(' ', $routes) as $route) {
            $csv .= '2026-01,'.str_replace(['=', '/'], ',', $route)."\n";
        }
        self::assertSame($statements, Written::workings($csv, $question, [], $kind)->summary->texts());
    }

    public function testCapacityReadsItsRateAndItsEnds(): void
    {
        $csv = "Month,Used,Offered\n2026-01,50,100\n2026-02,90,100\n";
        $ask = ['used' => 'Used', 'total' => 'Offered'];
        self::assertSame(
            ['Used of offered in Jan–Feb 2026: 70.0 %.', 'Fullest: Feb, 90.0 %; emptiest: Jan, 50.0 %.'],
            Written::workings($csv, $ask, [], 'capacity-fill')->summary->texts(),
        );
        self::assertSame(
            'Used of offered in Jan–Feb 2026: 70.0 %, 5.0 pp below target.',
            Written::workings($csv, $ask + ['target' => '75'], [], 'capacity-fill')->summary->texts()[0],
        );
    }

    public function testEveryNumberThatIsSaidIsInTheWorkingsOverRandomFigures(): void
    {
        $said = 0;
        foreach (range(1, 120) as $seed) {
            $figures = new RandomFigures($seed, 1 + ($seed % 40));
            $question = [
                ['against' => ['BU']],
                ['against' => ['BU'], 'forecast' => 'FC'],
                ['against' => ['PY', 'BU'], 'forecast' => 'FC', 'by' => 'quarter'],
                ['cumulate' => 'year to date', 'against' => ['BU']],
                ['forecast' => 'FC'],
            ][$seed % 5];
            $said += self::insistOnNumbers(
                Written::workings($figures->csv(), $question + ['flag' => ['percent' => '5']]), "seed $seed",
            );
        }
        self::assertGreaterThan(500, $said);
    }

    public function testEveryNumberThatIsSaidOfMembersIsInTheWorkings(): void
    {
        $asked = [
            ['variance-tiers', ['by' => 'Route', 'against' => ['BU'], 'measure' => 'Used']],
            [
                'variance-tiers',
                ['by' => 'Route', 'against' => ['PY'], 'forecast' => 'FC', 'top' => 3, 'measure' => 'Used'],
            ],
            ['variance-tiers', ['by' => 'month', 'each' => 'Route', 'against' => ['BU'], 'measure' => 'Used']],
            [
                'hat',
                [
                    'by' => 'Route',
                    'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle'],
                    'measure' => 'Used',
                ],
            ],
            ['capacity-fill', ['by' => 'month', 'used' => 'Used', 'total' => 'Offered', 'against' => ['TG']]],
        ];
        $said = 0;
        foreach (range(1, 40) as $seed) {
            $members = new RandomMembers($seed, 1 + ($seed % 9), 2 + ($seed % 13));
            foreach ($asked as [$kind, $question]) {
                $said += self::insistOnNumbers(
                    Written::workings(
                        $members->csv,
                        $question + ['flag' => ['percent' => '5'], 'closedThrough' => $members->closedThrough()],
                        RandomMembers::MAPPING,
                        $kind,
                    ),
                    "seed $seed, $kind",
                );
            }
        }
        self::assertGreaterThan(500, $said);
    }

    /** @return int how many numbers were said */
    private static function insistOnNumbers(Workings $workings, string $where): int
    {
        $rows = $workings->table->rowsByKey() + $workings->table->sums();
        $columns = array_combine(
            array_map(static fn ($column): string => $column->id(), $workings->table->columns),
            $workings->table->columns,
        );
        $count = 0;
        self::assertLessThanOrEqual(5, \count($workings->summary->sentences), $where);
        foreach ($workings->summary->sentences as $statement) {
            foreach ($statement->numbers() as $number) {
                self::assertArrayHasKey($number->row->id, $rows, $where);
                self::assertArrayHasKey($number->column, $columns, $where);
                $cell = $workings->told($columns[$number->column], $rows[$number->row->id]);
                self::assertSame($cell, $number->is, $where);
                self::assertContains($number->text, [$cell, ltrim(str_replace("\u{2212}", '', $cell), '+')], $where);
                ++$count;
            }
            self::assertSame('', self::strayDigits($statement, $workings), "$where: {$statement->text()}");
        }

        return $count;
    }

    /**
     * Digits outside of numbers and names that point to a row: only those of the spans and of how many more there are.
     */
    private static function strayDigits(Sentence $statement, Workings $workings): string
    {
        $loose = implode(
            '|',
            array_filter($statement->parts, static fn (string|LinkedText $part): bool => \is_string($part)),
        );
        $loose = str_replace($workings->context->measure()->name, '', $loose);

        return (string) preg_replace(
            [
                '/ in [^:]*\d{4}: ?/u', '/\d+ more/', '/With the forecast, (FY)?\d{4} (lands|without)/',
                '/for [^.]*\d{4}\./u', '/[^\d]+/u',
            ],
            '',
            $loose,
        );
    }

    private static function csv(string $months): string
    {
        $csv = "Month,Actual,Budget,Forecast,Prior year\n";
        foreach (explode(' ', $months) as $i => $month) {
            $csv .=
                \sprintf('%d-%02d', 2026 + intdiv($i, 12), ($i % 12) + 1).
                ','.
                implode(',', array_pad(explode('/', $month), 4, '')).
                "\n";
        }

        return $csv;
    }
}
