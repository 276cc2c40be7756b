<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Reading\Table\DelimitedRows;
use KeenMargin\Core\Figures\Reading\Table\Delimiter;
use KeenMargin\Core\Figures\Reading\Table\HeaderUnit;
use KeenMargin\Core\Figures\Reading\Text\MonthWords;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Reading\Text\ScenarioInName;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SheetTest extends TestCase
{
    private const CELLS = [
        '', 'North', 'a "quoted" word', "two\nlines", "line\r\nend", 'semi;colon', 'com,ma', "ta\tb", '1.234,50', '"',
        '""', 'Überfahrt', "'", 'x | y', '  spaced',
    ];

    public function testWhatWasWrittenComesBackCellForCell(): void
    {
        mt_srand(31);
        foreach ([',', ';', "\t", '|'] as $delimiter) {
            for ($round = 0; $round < 60; ++$round) {
                $width = mt_rand(2, 6);
                $rows = [];
                $text = '';
                for ($i = mt_rand(1, 8); $i > 0; --$i) {
                    $row = array_map(
                        static fn (): string => self::CELLS[mt_rand(0, \count(self::CELLS) - 1)],
                        range(1, $width),
                    );
                    $rows[] = $row;
                    $text .=
                        implode(
                            $delimiter,
                            array_map(
                                static fn (string $cell): string => 1 ===
                                preg_match('/["\r\n'.preg_quote($delimiter, '/').']/', $cell)
                                    ? '"'.str_replace('"', '""', $cell).'"'
                                    : $cell,
                                $row,
                            ),
                        ).["\n", "\r\n"][$round % 2];
                }
                self::assertSame(
                    array_map(static fn (array $row): array => str_replace("\r\n", "\n", $row), $rows),
                    iterator_to_array((new DelimitedRows(self::stream($text), $delimiter))->rows(), false),
                    $text,
                );
            }
        }
    }

    /** @return resource */
    private static function stream(string $text): mixed
    {
        $stream = fopen('php://memory', 'r+');
        \assert(\is_resource($stream));
        fwrite($stream, $text);

        return $stream;
    }

    public function testRowsAreCountedAsInTheFile(): void
    {
        $sheet = Written::sheet("\n\nMonth,Memo,Actual\n2026-01,\"two\nlines\",1\n\n2026-02,,2\n");
        self::assertSame([4, 7], array_keys($sheet->rows));
    }

    #[TestWith(["a;b;c\n1,5;2;3\n", ';'])]
    #[TestWith(["a,b\n1;2,3\n", ','])]
    #[TestWith(["a\tb\n1,5\t2\n", "\t"])]
    #[TestWith(["a|b\n1|2\n", '|'])]
    #[TestWith(["alone\n1\n", ','])]
    #[TestWith(["\"a;b\",c\n\"1;2\",3\n", ','])]
    public function testFindsTheDelimiter(string $text, string $delimiter): void
    {
        self::assertSame($delimiter, Delimiter::infer(self::stream($text)));
    }

    public function testEveryColumnHasANameOfItsOwn(): void
    {
        self::assertSame(
            ['Month', 'Actual', 'Actual (2)', 'Column 4', 'Budget'],
            Written::sheet("Month,Actual,Actual,,Budget,,\n2026-01,1,2,3,4,,\n")->header,
        );
    }

    #[TestWith(['Net revenue (EUR)', 'Net revenue', 'EUR'])]
    #[TestWith(['Fuel in EUR', 'Fuel', 'EUR'])]
    #[TestWith(['Punctuality %', 'Punctuality', '%'])]
    #[TestWith(['Price [€]', 'Price', 'EUR'])]
    #[TestWith(['Staff', 'Staff', null])]
    #[TestWith(['Fuel in k EUR', 'Fuel', 'EUR', 3])]
    #[TestWith(['Freight TEUR', 'Freight', 'EUR', 3])]
    #[TestWith(['Crew (€m)', 'Crew', 'EUR', 6])]
    #[TestWith(['Crew in \'000', 'Crew', null, 3])]
    #[TestWith(['Operating statement 2026, in k EUR', 'Operating statement 2026', 'EUR', 3])]
    #[TestWith(['Umsatz in Mio. EUR', 'Umsatz', 'EUR', 6])]
    #[TestWith(['Freight (t)', 'Freight (t)', null])]
    #[TestWith(['Main', 'Main', null])]
    #[TestWith(['Check in', 'Check in', null])]
    public function testTheUnitIsTakenFromTheName(string $name, string $rest, ?string $unit, int $power = 0): void
    {
        self::assertEquals(new HeaderUnit($rest, $unit, $power), HeaderUnit::split($name));
    }

    #[TestWith(['Fuel cost, budget', 'BU', 'Fuel cost'])]
    #[TestWith(['AC Net revenue', 'AC', 'Net revenue'])]
    #[TestWith(['Revenue (Plan)', 'BU', 'Revenue'])]
    #[TestWith(['Prior year', 'PY', ''])]
    #[TestWith(['Forecast_Crew', 'FC', 'Crew'])]
    public function testTheScenarioIsFoundWithinTheName(string $name, string $code, string $rest): void
    {
        $found = ScenarioWords::maybeWithin($name);
        self::assertEquals(new ScenarioInName(Scenario::from($code), $rest), $found);
    }

    #[TestWith(['Actuarial fees'])]
    #[TestWith(['Planet'])]
    #[TestWith(['Route'])]
    public function testAWordThatOnlyBeginsLikeAScenarioIsNone(string $name): void
    {
        self::assertNull(ScenarioWords::maybeWithin($name));
    }

    public function testMonthWordsOfThreeLanguages(): void
    {
        self::assertSame(
            [1, 3, 5, 8, 12, null, null],
            array_map(MonthWords::maybeNumber(...), ['Jan.', 'März', 'mai', 'août', 'Dez', 'Ju', 'Juneau']),
        );
        self::assertNull(MonthWords::maybeNumber('Jui'), 'juin or juillet');
    }

    #[TestWith(['columns'])]
    #[TestWith(['cell'])]
    #[TestWith(['line'])]
    #[TestWith(['row'])]
    public function testWhatIsTooLargeIsRefusedWithItsLimit(string $what): void
    {
        [$text, $says] = match ($what) {
            'columns' => [
                implode(',', array_map(static fn (int $i): string => "n$i", range(1, 1001)))."\n1\n",
                'The file has 1,001 columns; up to 1,000 can be read.',
            ],
            'cell' => [
                "Month,Line,Actual\n2026-01,".str_repeat('x', 501).",1\n",
                'Row 2: a name has 501 letters; up to 500 can be read.',
            ],
            'line' => [
                "Month,Actual\n2026-01,1\n2026-02,\"".str_repeat("x\n", 600_000),
                'Row 3: a quoted cell begins here and does not end. Close the quotes.',
            ],
            default => [
                str_repeat('x', 600_001),
                'A row of the file has more than 200,000 letters. This is not a table; look at how the file was made.',
            ],
        };
        $this->expectException(RefusedFigures::class);
        $this->expectExceptionMessage($says);
        Written::figures($text);
    }
}
