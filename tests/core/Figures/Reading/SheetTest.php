<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Reading\CsvRows;
use KeenMargin\Core\Figures\Reading\Delimiter;
use KeenMargin\Core\Figures\Reading\HeaderUnit;
use KeenMargin\Core\Figures\Reading\MonthWords;
use KeenMargin\Core\Figures\Reading\RefusedFigures;
use KeenMargin\Core\Figures\Reading\ScenarioWords;
use KeenMargin\Core\Figures\Reading\Sheet;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SheetTest extends TestCase
{
    private const CELLS = ['', 'North', 'a "quoted" word', "two\nlines", "line\r\nend", 'semi;colon', 'com,ma', "ta\tb", '1.234,50', '"', '""', 'Überfahrt', "'", 'x | y', '  spaced'];

    public function testWhatWasWrittenComesBackCellForCell(): void
    {
        mt_srand(31);
        foreach ([',', ';', "\t", '|'] as $delimiter) {
            for ($round = 0; $round < 60; ++$round) {
                $width = mt_rand(2, 6);
                $rows = [];
                $text = '';
                for ($i = mt_rand(1, 8); $i > 0; --$i) {
                    $row = array_map(static fn (): string => self::CELLS[mt_rand(0, \count(self::CELLS) - 1)], range(1, $width));
                    $rows[] = $row;
                    $text .= implode($delimiter, array_map(static fn (string $cell): string => 1 === preg_match('/["\r\n'.preg_quote($delimiter, '/').']/', $cell) ? '"'.str_replace('"', '""', $cell).'"' : $cell, $row)).["\n", "\r\n"][$round % 2];
                }
                self::assertSame($rows, iterator_to_array(CsvRows::of($text, $delimiter), false), $text);
            }
        }
    }

    public function testRowsAreCountedAsInTheFile(): void
    {
        $sheet = Sheet::ofText("\n\nMonth,Memo,Actual\n2026-01,\"two\nlines\",1\n\n2026-02,,2\n");
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
        self::assertSame($delimiter, Delimiter::infer($text));
    }

    public function testEveryColumnHasANameOfItsOwn(): void
    {
        self::assertSame(['Month', 'Actual', 'Actual (2)', 'Column 4', 'Budget'], Sheet::ofText("Month,Actual,Actual,,Budget,,\n2026-01,1,2,3,4,,\n")->header);
    }

    #[TestWith(['Net revenue (EUR)', 'Net revenue', 'EUR'])]
    #[TestWith(['Fuel in EUR', 'Fuel', 'EUR'])]
    #[TestWith(['Punctuality %', 'Punctuality', '%'])]
    #[TestWith(['Price [€]', 'Price', 'EUR'])]
    #[TestWith(['Staff', 'Staff', null])]
    public function testTheUnitIsTakenFromTheName(string $name, string $rest, ?string $unit): void
    {
        self::assertSame([$rest, $unit], HeaderUnit::split($name));
    }

    #[TestWith(['Fuel cost, budget', 'BU', 'Fuel cost'])]
    #[TestWith(['AC Net revenue', 'AC', 'Net revenue'])]
    #[TestWith(['Revenue (Plan)', 'BU', 'Revenue'])]
    #[TestWith(['Prior year', 'PY', ''])]
    #[TestWith(['Forecast_Crew', 'FC', 'Crew'])]
    public function testTheScenarioIsFoundWithinTheName(string $name, string $code, string $rest): void
    {
        $found = ScenarioWords::maybeWithin($name);
        self::assertSame([$code, $rest], [$found[0]->value ?? '', $found[1] ?? '']);
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
        self::assertSame([1, 3, 5, 8, 12, null, null], array_map(MonthWords::maybeNumber(...), ['Jan.', 'März', 'mai', 'août', 'Dez', 'Ju', 'Juneau']));
        self::assertNull(MonthWords::maybeNumber('Jui'), 'juin or juillet');
    }

    #[TestWith(['rows'])]
    #[TestWith(['columns'])]
    #[TestWith(['cell'])]
    #[TestWith(['bytes'])]
    public function testWhatIsTooLargeIsRefusedWithItsLimit(string $what): void
    {
        [$text, $says] = match ($what) {
            'rows' => ["Month,Actual\n".str_repeat("2026-01,1\n", 200_001), 'The file has more than 200,000 rows.'],
            'columns' => [implode(',', range(1, 201))."\n1\n", 'The file has 201 columns; up to 200 can be read.'],
            'cell' => ["Month,Actual\n".str_repeat('x', 501).",1\n", 'Row 2: a cell has 501 letters; up to 500 can be read.'],
            default => [str_repeat('x', 20_000_001), 'The file has 20.0 MB; up to 20 MB can be read.'],
        };
        $this->expectException(RefusedFigures::class);
        $this->expectExceptionMessage($says);
        Sheet::ofText($text);
    }
}
