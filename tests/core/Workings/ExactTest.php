<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Workings\Waterfall\ExactNumber;
use PHPUnit\Framework\TestCase;

final class ExactTest extends TestCase
{
    public function testTheLargestComeFirstWhateverTheirSign(): void
    {
        $numbers = ['a' => '3', 'b' => '-5', 'c' => '5.0', 'd' => '0', 'e' => '-0.0000000000000000001', 'f' => '4.99'];
        self::assertSame(['b', 'c', 'f', 'a', 'e', 'd'], self::sorted($numbers));
    }

    public function testNumbersThatMachineNumbersCannotTellApartAreSortedExactly(): void
    {
        $long = '12345678901234567890';
        self::assertSame(['more', 'less'], self::sorted(['less' => "$long.000000001", 'more' => "-$long.000000002"]));
        $huge = '1'.str_repeat('0', 400);
        self::assertSame(['huger', 'huge'], self::sorted(['huge' => $huge, 'huger' => "{$huge}1"]));
        $third = Fraction::of(BigDecimal::one(), BigDecimal::of(3));
        $near = BigDecimal::of('0.33333333333333333333333333');
        self::assertSame([1, 0], array_keys(ExactNumber::largestFirst([$near, $third])));
    }

    public function testManyRandomNumbersStandAsExactComparisonSortsThem(): void
    {
        mt_srand(16);
        for ($round = 0; $round < 40; ++$round) {
            $numbers = [];
            for ($i = mt_rand(0, 60); $i > 0; --$i) {
                $numbers[] = BigDecimal::ofUnscaledValue(mt_rand(-300, 300), mt_rand(0, 12));
            }
            $sorted = $numbers;
            uasort($sorted, static fn (BigDecimal $a, BigDecimal $b): int => $b->abs()->compareTo($a->abs()));
            self::assertSame(array_keys($sorted), array_keys(ExactNumber::largestFirst($numbers)));
        }
    }

    /**
     * @param array<string, string> $numbers
     *
     * @return list<string>
     */
    private static function sorted(array $numbers): array
    {
        return array_keys(ExactNumber::largestFirst(array_map(BigDecimal::of(...), $numbers)));
    }
}
