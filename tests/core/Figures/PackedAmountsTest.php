<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Figures\Series\SeriesAdder;
use KeenMargin\Core\Number\ScaledText;
use KeenMargin\Core\Time\Period;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PackedAmountsTest extends TestCase
{
    public function testWhatIsPackedComesBackInCalendarOrder(): void
    {
        $amounts = [24313 => -5, 24312 => \PHP_INT_MAX, -700 => \PHP_INT_MIN, 0 => 0];
        $packed = PackedAmounts::pack($amounts);
        ksort($amounts);
        self::assertSame($amounts, PackedAmounts::unpack($packed));
        self::assertSame([4, -700], [PackedAmounts::count($packed), PackedAmounts::first($packed)]);
        self::assertSame([[], 0], [PackedAmounts::unpack(''), PackedAmounts::count('')]);
    }

    public function testSeriesAddUpExactlyAndAreCountedWhereThatIsAsked(): void
    {
        $adder = new SeriesAdder();
        $adder->add('m', 'AC', PackedAmounts::pack([1 => 10, 2 => 20]));
        $adder->add('m', 'AC', PackedAmounts::pack([2 => 5]), PackedAmounts::pack([2 => 3]));
        $adder->add('m', 'BU', PackedAmounts::pack([1 => 1]), false);
        self::assertSame(
            [['m', 'AC', [1 => 10, 2 => 25], [1 => 1, 2 => 4]], ['m', 'BU', [1 => 1], []]],
            iterator_to_array($adder->each(), false),
        );
        self::assertSame(['AC' => [1, 2], 'BU' => [1]], $adder->starts());
    }

    public function testASumThatOutgrowsTheMachineIsNotRounded(): void
    {
        $adder = new SeriesAdder();
        for ($i = 0; $i < 5; ++$i) {
            $adder->add('Amount', 'AC', PackedAmounts::pack([24312 => \PHP_INT_MAX]), false);
        }
        self::assertNull(iterator_to_array($adder->each(), false)[0][2]);
        $sum = $adder->sums(self::dataset())->amount('Amount', Scenario::Actual, Period::month(2026, 1));
        self::assertSame((string) BigDecimal::of(\PHP_INT_MAX)->multipliedBy(5), (string) $sum);
    }

    public function testSumsByMemberAddUpToTheSum(): void
    {
        mt_srand(71);
        for ($round = 0; $round < 25; ++$round) {
            $csv = "Month,Route,Class,Actual,Budget\n";
            for ($i = 0; $i < 50; ++$i) {
                $csv .= \sprintf(
                    "2026-%02d,R%d,C%d,%d.%02d,%d\n",
                    mt_rand(1, 4),
                    mt_rand(1, 5),
                    mt_rand(1, 3),
                    mt_rand(-900, 900),
                    mt_rand(0, 99),
                    mt_rand(0, 900),
                );
            }
            $figures = Written::figures($csv);
            $where = 0 === $round % 2 ? [] : [new MemberFilter('Class', ['C1', 'C3'])];
            $all = $figures->sums(['Amount'], $where);
            foreach ([Scenario::Actual, Scenario::Budget] as $scenario) {
                foreach (range(1, 4) as $month) {
                    $sum = BigDecimal::zero();
                    foreach ($figures->sumsBy('Route', ['Amount'], $where, [$scenario]) as $own) {
                        $sum = $sum->plus($own->amount('Amount', $scenario, Period::month(2026, $month)) ?? 0);
                    }
                    self::assertTrue(
                        $sum->isEqualTo($all->amount('Amount', $scenario, Period::month(2026, $month)) ?? 0),
                        "round $round",
                    );
                }
            }
        }
    }

    public function testASeriesKnowsItsMembers(): void
    {
        $series = Series::of('Fuel', Scenario::Budget, ['North', '', 'Cars']);
        self::assertSame(
            [['North', '', 'Cars'], 'Cars', "Fuel\0BU\0North\0\0Cars"],
            [$series->members(), $series->member(2), $series->key()],
        );
        self::assertEquals($series, Series::joined('Fuel', Scenario::Budget, "North\0\0Cars"));
    }

    #[TestWith([30210, 2, '302.10'])]
    #[TestWith([-5, 2, '-0.05'])]
    #[TestWith([-30210, 4, '-3.0210'])]
    #[TestWith([7, 0, '7'])]
    #[TestWith([0, 3, '0.000'])]
    public function testAScaledNumberIsWrittenWithItsPoint(int $scaled, int $decimals, string $text): void
    {
        self::assertSame($text, ScaledText::of($scaled, $decimals));
        self::assertSame((string) BigDecimal::ofUnscaledValue($scaled, max(0, $decimals)), $text);
    }

    private static function dataset(): Dataset
    {
        return Written::figures("Month,Actual\n2026-01,1\n")->dataset();
    }
}
