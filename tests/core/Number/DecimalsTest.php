<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Number;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use KeenMargin\Core\Number\Decimals;
use PHPUnit\Framework\TestCase;

/** Short amounts are calculated as whole numbers; that must never show. */
final class DecimalsTest extends TestCase
{
    private static function amount(int $digits, int $scale): BigDecimal
    {
        $text = (string) mt_rand(1, 9);
        for ($i = 1; $i < $digits; ++$i) {
            $text .= mt_rand(0, 9);
        }

        return BigDecimal::ofUnscaledValue((0 === mt_rand(0, 1) ? '-' : '').$text, $scale);
    }

    public function testSumsAreExactAtAnyLengthAndScale(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 400; ++$round) {
            $scale = mt_rand(0, 4);
            $amounts = [];
            for ($i = mt_rand(0, 12); $i > 0; --$i) {
                $amounts[] = self::amount(
                    mt_rand(1, 0 === $round % 3 ? 30 : 11),
                    0 === $round % 2 ? $scale : mt_rand(0, 6),
                );
            }
            $slow = array_reduce(
                $amounts,
                static fn (BigDecimal $sum, BigDecimal $next): BigDecimal => $sum->plus($next),
                BigDecimal::zero(),
            );
            self::assertTrue($slow->isEqualTo(Decimals::sum($amounts)), "round $round");
            shuffle($amounts);
            self::assertTrue($slow->isEqualTo(Decimals::sum($amounts)), "round $round, shuffled");
        }
    }

    public function testPercentagesAreRoundedOnceAndHalfAwayFromZero(): void
    {
        mt_srand(12);
        for ($round = 0; $round < 1000; ++$round) {
            $scale = mt_rand(0, 3);
            $part = self::amount(mt_rand(1, 14), $scale);
            $base = self::amount(mt_rand(1, 14), 0 === $round % 2 ? $scale : mt_rand(0, 3));
            foreach ([0, 1, 4] as $decimals) {
                $slow = $part->multipliedBy(100)->dividedBy($base->abs(), $decimals, RoundingMode::HalfUp);
                self::assertSame(
                    $slow->toString(), Decimals::percent($part, $base, $decimals)?->toString(), "$part of $base",
                );
            }
        }
        self::assertSame('-2.5', Decimals::percent(BigDecimal::of('-25'), BigDecimal::of('1000'), 1)?->toString());
        self::assertSame('0.1', Decimals::percent(BigDecimal::of('1'), BigDecimal::of('2000'), 1)?->toString());
        self::assertNull(Decimals::percent(BigDecimal::of('1'), BigDecimal::of('0.00')));
    }

    public function testRoundingShortAndLongAmountsAgree(): void
    {
        mt_srand(13);
        for ($round = 0; $round < 1000; ++$round) {
            $amount = self::amount(mt_rand(1, 24), mt_rand(0, 14));
            $decimals = mt_rand(0, 6);
            self::assertSame(
                $amount->toScale($decimals, RoundingMode::HalfUp)->toString(),
                Decimals::round($amount, $decimals)->toString(),
                (string) $amount,
            );
        }
    }

    public function testARateIsNumeratorOverDenominator(): void
    {
        self::assertSame('66.666667', Decimals::rate(BigDecimal::of(100), BigDecimal::of(150))?->toString());
        self::assertSame('-50.000000', Decimals::rate(BigDecimal::of(-1), BigDecimal::of(2))?->toString());
        self::assertNull(Decimals::rate(BigDecimal::of(1), BigDecimal::zero()));
    }
}
