<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Import;

use KeenMargin\App\Import\Format\NumberMeaning;
use KeenMargin\App\Import\Format\PlainNumber;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Numbers as workbooks store them. */
final class StoredNumbersTest extends TestCase
{
    #[TestWith(['302.1', '302.1'])]
    #[TestWith(['302.10000000000002', '302.1'])]
    #[TestWith(['0.30000000000000004', '0.3'])]
    #[TestWith(['-1.5E-3', '-0.0015'])]
    #[TestWith(['1.2345E+6', '1234500'])]
    #[TestWith(['123456789012345678', '123456789012345678'])]
    #[TestWith(['1.50', '1.5'])]
    #[TestWith(['1E+308', '1E+308'])]
    #[TestWith(['abc', 'abc'])]
    public function testAreWrittenPlainly(string $stored, string $plain): void
    {
        self::assertSame($plain, PlainNumber::of($stored));
    }

    #[TestWith(['0.125', '12.5 %'])]
    #[TestWith(['0.91200000000000003', '91.2 %'])]
    #[TestWith(['-1', '-100 %'])]
    public function testSharesArePercentages(string $stored, string $percent): void
    {
        self::assertSame($percent, PlainNumber::percent($stored));
    }

    #[TestWith(['dd/mm/yyyy', '46023', '2026-01-01'])]
    #[TestWith(['d-mmm-yy', '46023.75', '2026-01-01'])]
    #[TestWith(['mmm\ yy', '46023', '2026-01'])]
    #[TestWith(['yyyy', '46023', '2026-01'])]
    #[TestWith(['[$-407]mmmm\ yyyy;@', '46023', '2026-01'])]
    #[TestWith(['#,##0.00 "days"', '46023', '46023'])]
    #[TestWith(['General', '46023', '46023'])]
    #[TestWith(['h:mm:ss', '0.5', '0.5'])]
    #[TestWith(['0.0%', '0.05', '5 %'])]
    #[TestWith(['dd/mm/yyyy', '-5', '-5'])]
    public function testMeanWhatTheirFormatSays(string $code, string $stored, string $text): void
    {
        self::assertSame($text, NumberMeaning::of($code)->text($stored, false));
    }
}
