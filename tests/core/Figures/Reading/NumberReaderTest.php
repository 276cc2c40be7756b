<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\NumberStyle;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class NumberReaderTest extends TestCase
{
    #[TestWith(['.', '1,234.50', '1234.50'])]
    #[TestWith([',', '1.234,50', '1234.50'])]
    #[TestWith([',', '1 234,5', '1234.5'])]
    #[TestWith([',', "1\u{202F}234\u{202F}567", '1234567'])]
    #[TestWith(['.', "1'234.5", '1234.5'])]
    #[TestWith(['.', '(120)', '-120'])]
    #[TestWith(['.', '-120', '-120'])]
    #[TestWith(['.', '120-', '-120'])]
    #[TestWith(['.', "\u{2212}120", '-120'])]
    #[TestWith(['.', '+7', '7'])]
    #[TestWith(['.', '€ 1,200', '1200'])]
    #[TestWith(['.', '1,200 EUR', '1200'])]
    #[TestWith(['.', '-$5.20', '-5.20'])]
    #[TestWith(['.', '$-5.20', '-5.20'])]
    #[TestWith(['.', '12.5 %', '12.5'])]
    #[TestWith(['.', '.5', '0.5'])]
    #[TestWith(['.', '123456789012345678.90', '123456789012345678.90'])]
    public function testReadsNumbersAsPeopleWriteThem(string $style, string $text, string $amount): void
    {
        self::assertSame($amount, (new NumberReader(NumberStyle::from($style)))->maybe($text)?->toString());
    }

    #[TestWith(['1.2.3'])]
    #[TestWith(['12,34'])]
    #[TestWith(['1,23,456.0'])]
    #[TestWith(['--5'])]
    #[TestWith(['(-5)'])]
    #[TestWith(['5-5'])]
    #[TestWith(['abc'])]
    #[TestWith(['#REF!'])]
    #[TestWith(['1e5'])]
    #[TestWith([''])]
    #[TestWith(['%'])]
    public function testRefusesWhatIsNoNumber(string $text): void
    {
        self::assertNull((new NumberReader(NumberStyle::Point))->maybe($text));
    }

    public function testTheRestOfTheColumnTellsTheDecimalSign(): void
    {
        self::assertSame(NumberStyle::Comma, NumberStyle::maybeProven(['1.234', '5.678,90']));
        self::assertSame(NumberStyle::Point, NumberStyle::maybeProven(['1,234', '0.5']));
        self::assertSame(NumberStyle::Comma, NumberStyle::maybeProven(['1.234.567', '12']));
        self::assertNull(NumberStyle::maybeProven(['1.234', '302']));
        self::assertTrue(NumberStyle::isAmbiguous(['1.234', '302']));
        self::assertFalse(NumberStyle::isAmbiguous(['302', '310']));
    }
}
