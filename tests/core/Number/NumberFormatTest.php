<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Number;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Number\Unit;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class NumberFormatTest extends TestCase
{
    #[TestWith(['en', '1234567.5', 1, '1,234,567.5'])]
    #[TestWith(['de', '1234567.5', 1, '1.234.567,5'])]
    #[TestWith(['fr', '1234567.5', 1, "1\u{A0}234\u{A0}567,5"])]
    #[TestWith(['en', '-0.4', 0, '0'])]
    #[TestWith(['en', '-1234', 0, "\u{2212}1,234"])]
    #[TestWith(['en', '999', 0, '999'])]
    public function testWritesNumbersForTheReadersOfALocale(
        string $locale,
        string $amount,
        int $decimals,
        string $written,
    ): void {
        \assert(\in_array($locale, ['en', 'de', 'fr'], true) && $decimals >= 0);
        self::assertSame($written, NumberFormat::of($locale)->plain(BigDecimal::of($amount), $decimals));
    }

    #[TestWith(['12', '+12'])]
    #[TestWith(['-12', "\u{2212}12"])]
    #[TestWith(['0', '0'])]
    #[TestWith(['0.4', '0'])]
    #[TestWith(['-0.5', "\u{2212}1"])]
    public function testAVarianceAlwaysBearsItsSign(string $amount, string $written): void
    {
        self::assertSame($written, NumberFormat::of('en')->signed(BigDecimal::of($amount), 0));
    }

    #[TestWith(['0.5', '1'])]
    #[TestWith(['-0.5', '-1'])]
    #[TestWith(['2.5', '3'])]
    #[TestWith(['-2.45', '-2'])]
    public function testRoundsHalfAwayFromZero(string $amount, string $rounded): void
    {
        self::assertSame($rounded, Decimals::round(BigDecimal::of($amount), 0)->toString());
    }

    public function testKeepsEveryDigitThatItCameWith(): void
    {
        self::assertSame('302.30', Decimals::sum([BigDecimal::of('302.10'), BigDecimal::of('0.2')])->toString());
    }

    #[TestWith(['781000', Unit::Thousand, 0])]
    #[TestWith(['4021000', Unit::Thousand, 0])]
    #[TestWith(['15000000', Unit::Million, 1])]
    #[TestWith(['9999', Unit::One, 0])]
    #[TestWith(['10000', Unit::Thousand, 1])]
    #[TestWith(['-52', Unit::One, 0])]
    #[TestWith(['7300000000000', Unit::Billion, 0])]
    public function testOneUnitGivesTheLargestAmountThreeOrFourDigits(
        string $largest,
        Unit $unit,
        int $decimals,
    ): void {
        self::assertSame($unit, Unit::fitting(BigDecimal::of($largest)));
        self::assertSame($decimals, $unit->decimalsFor(BigDecimal::of($largest), 0));
    }

    #[TestWith([Unit::Thousand, 'EUR', 'k EUR'])]
    #[TestWith([Unit::Million, '', 'm'])]
    #[TestWith([Unit::One, 'm', 'm'])]
    #[TestWith([Unit::Thousand, 'm', 'thousand m'])]
    #[TestWith([Unit::Million, 'kg', 'million kg'])]
    #[TestWith([Unit::Thousand, 'min', 'thousand min'])]
    #[TestWith([Unit::Billion, 'l', 'billion l'])]
    public function testUnitsWithStepsOfTheirOwnAreScaledByWords(Unit $unit, string $measured, string $written): void
    {
        self::assertSame($written, $unit->with($measured));
    }

    /** The short way for usual amounts and the long one for all others must say the same. */
    public function testAnyAmountInAnyUnitIsRoundedExactly(): void
    {
        mt_srand(8);
        for ($i = 0; $i < 2000; ++$i) {
            $digits =
                (string) mt_rand(1, 9).
                implode('', array_map(static fn (): string => (string) mt_rand(0, 9), range(0, mt_rand(0, 19))));
            $amount = BigDecimal::ofUnscaledValue((0 === mt_rand(0, 2) ? '-' : '').$digits, mt_rand(0, 9));
            $unit = Unit::cases()[mt_rand(0, 3)];
            $decimals = mt_rand(0, 4);
            $expected = $unit->of($amount)->toScale($decimals, RoundingMode::HalfUp);
            $plain = str_replace(
                [NumberFormat::MINUS, ','], ['-', ''], NumberFormat::of('en')->plain($amount, $decimals, $unit),
            );
            self::assertTrue(
                BigDecimal::of($plain)->isEqualTo($expected), "$amount in {$unit->value} with $decimals: $plain",
            );
            self::assertSame(
                1 === $expected->getSign(),
                str_starts_with(NumberFormat::of('en')->signed($amount, $decimals, $unit), '+'),
            );
        }
    }
}
