<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two members held against each other, and how full something is. */
final class HatAndCapacityTest extends TestCase
{
    private const CABINS =
        "Month,Route,Cabin,Amount\n2026-01,North,Seat,180\n2026-01,North,Berth,240\n".
        "2026-01,Holm,Seat,150\n2026-01,Holm,Berth,120\n2026-01,Outer,Seat,7\n";
    private const BETWEEN = ['between' => ['field' => 'Cabin', 'first' => 'Seat', 'second' => 'Berth']];
    private const USED = ['used' => 'Used', 'total' => 'Offered'];

    /** @return list<array<mixed>> */
    private static function rows(Workings $workings): array
    {
        return array_map(
            static fn (mixed $row): array => (array) $row,
            array_values((array) Written::document($workings)['rows']),
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

    /** @param array<string, mixed> $question */
    private static function fill(string $csv, array $question = []): Workings
    {
        return Written::workings($csv, $question + self::USED, [], 'capacity-fill');
    }

    public function testEachRowHasTheFirstTheSecondAndTheirDifference(): void
    {
        $workings = Written::workings(self::CABINS, self::BETWEEN + ['by' => 'Route'], [], 'hat');
        [$north, $holm] = self::rows($workings);
        self::assertSame(
            ['180', '240', '60', '33.3333', 'favourable'],
            [$north['first'], $north['second'], $north['change'], $north['percent'], $north['effect']],
        );
        self::assertSame(
            ['150', '120', '-30', '-20.0000', 'unfavourable'],
            [$holm['first'], $holm['second'], $holm['change'], $holm['percent'], $holm['effect']],
        );
        self::assertSame('Berth, amount in Jan 2026: 360, 23 (6.8 %) above Seat.', $workings->summary->texts()[0]);
    }

    public function testWhereOneSideHasNoFigureItCountsAsNothing(): void
    {
        $workings = Written::workings(self::CABINS, self::BETWEEN + ['by' => 'Route'], [], 'hat');
        $outer = self::rows($workings)[2];
        self::assertSame(
            ['7', null, '-7', '-100.0000', true],
            [$outer['first'], $outer['second'], $outer['change'], $outer['percent'], $outer['absent']],
        );
        self::assertSame('23', (string) $workings->table->total->variances['first']?->amount);
        self::assertContains(
            '1 route has Seat and no Berth, counted as nothing',
            array_map(static fn (Check $check): string => $check->says, $workings->checks),
        );
    }

    public function testAHatOverPeriodsAndWhereLessIsBetter(): void
    {
        $csv = "Month,Cabin,Amount\n2026-01,Seat,5\n2026-01,Berth,8\n2026-02,Seat,0\n2026-02,Berth,3\n";
        $rows = self::rows(Written::workings($csv, self::BETWEEN + ['better' => 'less'], [], 'hat'));
        self::assertSame(
            [['2026-01', '3', 'unfavourable', '60.0000'], ['2026-02', '3', 'unfavourable', null]],
            array_map(
                static fn (array $row): array => [$row['key'], $row['change'], $row['effect'], $row['percent']],
                $rows,
            ),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function unfitting(): iterable
    {
        yield 'no two members' => [
            [],
            'hat',
            'question.between: A hat graph holds two members of a breakdown against each other; give "field", '.
            '"first" and "second".',
        ];
        yield 'no such member' => [
            ['between' => ['field' => 'Cabin', 'first' => 'Seat', 'second' => 'Deck']],
            'hat',
            'question.between.second: Cabin has no "Deck"; it has Seat and Berth.',
        ];
        yield 'rows of the sides' => [
            self::BETWEEN + ['by' => 'Cabin'],
            'hat',
            'question.by: The two sides are members of Cabin; the rows must be periods or members of another '.
            'breakdown.',
        ];
        yield 'no parts' => [
            [],
            'capacity-fill',
            'question.used: How full something is needs two measures of "used", "unused" and "total".',
        ];
        yield 'unknown part' => [
            ['used' => 'Amount', 'total' => 'Room'],
            'capacity-fill',
            'question.total: There is no measure "Room"; there is Amount.',
        ];
        yield 'members on a line' => [
            ['by' => 'Route', 'against' => ['BU']],
            'gap-line',
            'question.by: A gap line runs through periods; ask by month, quarter, half-year or year.',
        ];
    }

    /** @param array<string, mixed> $question */
    #[DataProvider('unfitting')]
    public function testWhatAKindCannotAskIsSaid(array $question, string $kind, string $says): void
    {
        $this->expectExceptionObject(new NotAccepted('', $says));
        Written::workings(self::CABINS, $question, [], $kind);
    }

    public function testTheRateIsAllThatIsUsedOverAllThereIs(): void
    {
        $workings = self::fill("Month,Used,Offered\n2026-01,90,100\n2026-02,10,50\n");
        self::assertSame(
            ['90.000000', '20.000000'],
            array_map(static fn (array $row): mixed => $row['rate'], self::rows($workings)),
        );
        self::assertSame('66.666667', (string) $workings->table->total->shown);
        self::assertSame(
            ['66.7', null], [$workings->summary->headline['amount'], $workings->summary->headline['variance']],
        );
        self::assertSame(
            ['10', '40'],
            array_map(static fn (array $row): mixed => $row['unused'], self::rows($workings)),
        );
    }

    public function testTheThirdPartIsWhatTheOthersLeave(): void
    {
        $csv = "Month,Used,Free\n2026-01,90,10\n";
        $row = self::rows(Written::workings($csv, ['used' => 'Used', 'unused' => 'Free'], [], 'capacity-fill'))[0];
        self::assertSame(['90', '10', '100', '90.000000'], [$row['used'], $row['unused'], $row['total'], $row['rate']]);
        $three = Written::workings(
            "Month,Used,Free,Offered\n2026-01,90,10,101\n",
            ['used' => 'Used', 'unused' => 'Free', 'total' => 'Offered'],
            [],
            'capacity-fill',
        );
        self::assertFalse(self::checks($three)['parts-make-total']);
    }

    public function testTheTargetIsOfTheTotalWhereThereIsOneElseOfWhatIsUsed(): void
    {
        $total = self::fill("Month,Scenario,Used,Offered\n2026-01,Actual,90,100\n2026-01,Target,88,110\n", [
            'against' => ['TG'],
        ]);
        $row = self::rows($total)[0];
        self::assertSame(['110', '80.000000'], [$row['target'], $row['rateTarget']]);
        self::assertSame(
            ['-10', '10.000000'],
            array_map(
                static fn ($variance): string => (string) $variance?->amount,
                array_values($total->table->rows[0]->variances),
            ),
        );
        $used = self::fill("Month,Scenario,Used,Offered\n2026-01,Actual,90,100\n2026-01,Target,85,\n", [
            'against' => ['TG'],
        ]);
        self::assertSame(
            ['85', '85.000000', '5'],
            [
                self::rows($used)[0]['target'],
                self::rows($used)[0]['rateTarget'],
                (string) $used->table->rows[0]->variances['target']?->amount,
            ],
        );
        $rate = self::fill("Month,Used,Offered\n2026-01,90,100\n", ['target' => '92.5']);
        self::assertSame(
            [null, '92.5', '-2.500000'],
            [
                self::rows($rate)[0]['target'],
                self::rows($rate)[0]['rateTarget'],
                (string) $rate->table->rows[0]->variances['rateTarget']?->amount,
            ],
        );
    }

    public function testTheEarliestOfEqualExtremesIsMarked(): void
    {
        $workings = self::fill("Month,Used,Offered\n2026-01,5,10\n2026-02,9,10\n2026-03,9,10\n2026-04,5,10\n");
        self::assertSame(
            ['smallest', 'largest', null, null],
            array_map(static fn (Row $row): ?string => $row->extreme?->value, $workings->table->rows),
        );
        self::assertStringContainsString(
            'Fullest: Feb, 90.0 %; emptiest: Jan, 50.0 %.', implode(' ', $workings->summary->texts()),
        );
    }

    public function testPeriodsThatLackAPartAreLeftOutOfTheRate(): void
    {
        $workings = self::fill("Month,Used,Offered\n2026-01,5,10\n2026-02,9,\n2026-03,4,8\n", ['by' => 'quarter']);
        self::assertSame(
            ['9', '18', '50.000000'],
            [self::rows($workings)[0]['used'], self::rows($workings)[0]['total'], self::rows($workings)[0]['rate']],
        );
    }

    public function testMoreThanThereIsIsSaid(): void
    {
        self::assertTrue(self::checks(self::fill("Month,Used,Offered\n2026-01,10,10\n"))['within-capacity']);
        self::assertFalse(self::checks(self::fill("Month,Used,Offered\n2026-01,11,10\n"))['within-capacity']);
    }

    public function testPartsOfDifferentUnitsAreRefused(): void
    {
        $this->expectExceptionObject(new NotAccepted(
            'question.total', 'The measures are counted in EUR and no unit; parts and total must be of one unit.',
        ));
        Written::workings(
            "Month,Sold (EUR),Seats\n2026-01,5,10\n", ['used' => 'Sold', 'total' => 'Seats'], [], 'capacity-fill',
        );
    }

    public function testNothingOfNothingHasNoRate(): void
    {
        $workings = self::fill("Month,Used,Offered\n2026-01,0,0\n2026-02,5,10\n");
        self::assertNull(self::rows($workings)[0]['rate']);
        self::assertSame('50.000000', (string) $workings->table->total->shown);
    }
}
