<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\Fact;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FactReaderTest extends TestCase
{
    /**
     * @return iterable<string, array{string, list<string>}> a file and its facts: scenario, period, members, amount,
     *                                                       measure where it is not Amount
     */
    public static function files(): iterable
    {
        yield 'a column per scenario' => [
            "Month,Actual,Budget\n2026-01,302,310\n", ['AC 2026-01 302', 'BU 2026-01 310'],
        ];
        yield 'a scenario column' => [
            "Month,Scenario,Amount\n2026-01,Actual,302\n2026-01,Plan,310\n", ['AC 2026-01 302', 'BU 2026-01 310'],
        ];
        yield 'a lone amount column is actual' => ["Month,Amount\nJan 2026,5\n", ['AC 2026-01 5']];
        yield 'months in any order' => ["Month,Actual\nMar 2026,3\nJan 2026,1\n", ['AC 2026-03 3', 'AC 2026-01 1']];
        yield 'semicolons and decimal commas' => [
            "Monat;Route;Ist\n01.2026;Nord;1.234,50\n", ['AC 2026-01 Nord 1234.50'],
        ];
        yield 'tabs' => ["Month\tActual\n2026-01\t(120)\n", ['AC 2026-01 -120']];
        yield 'a byte order mark' => ["\xEF\xBB\xBFMonth,Actual\n2026-01,1\n", ['AC 2026-01 1']];
        yield 'Windows-1252' => ["Month,Line,Actual\n2026-01,Geb\xFChr,1\n", ['AC 2026-01 Gebühr 1']];
        yield 'UTF-16' => [
            "\xFF\xFE".mb_convert_encoding("Month,Actual\n2026-01,1\n", 'UTF-16LE', 'UTF-8'), ['AC 2026-01 1'],
        ];
        yield 'quotes, delimiters and breaks within cells' => [
            "Month,Line,Actual\r\n2026-01,\"Fuel, \"\"blue\"\"\r\nand oil\",\"1,200\"\r\n",
            ['AC 2026-01 Fuel, "blue" and oil 1200'],
        ];
        yield 'rows that share a key' => ["Month,Amount\n2026-01,1.10\n2026-01,2.2\n", ['AC 2026-01 3.30']];
        yield 'measures in columns, their scenario too' => [
            "Month,Fuel actual,Fuel budget\n2026-01,1,2\n", ['AC 2026-01 1 Fuel', 'BU 2026-01 2 Fuel'],
        ];
        yield 'periods across' => ["Route,2026-01,2026-02\nNorth,1,2\n", ['AC 2026-01 North 1', 'AC 2026-02 North 2']];
        yield 'year and month apart' => [
            "Year,Month,Actual\n2025,Dec,1\n2026,Jan,2\n", ['AC 2025-12 1', 'AC 2026-01 2'],
        ];
        yield 'month ends are months' => [
            "Date,Actual\n31.01.2026,1\n28.02.2026,2\n", ['AC 2026-01 1', 'AC 2026-02 2'],
        ];
        yield 'days stay days' => ["Date,Actual\n2026-01-05,1\n2026-01-31,2\n", ['AC 2026-01-05 1', 'AC 2026-01-31 2']];
        yield 'missing is not zero' => ["Month,Actual,Budget\n2026-01,,0\n2026-02,-,n/a\n", ['BU 2026-01 0']];
        yield 'a memo is no breakdown' => ["Month,Actual,Memo\n2026-01,1,late\n", ['AC 2026-01 1']];
        yield 'a large breakdown' => [
            "Month,Customer,Actual\n".
            implode('', array_map(static fn (int $i): string => "2026-01,Customer $i,1\n", range(1, 60))),
            array_map(static fn (int $i): string => "AC 2026-01 Customer $i 1", range(1, 60)),
        ];
        yield 'sixty periods and a column per route' => [
            "Month,Route,Actual\n".
            implode(
                '',
                array_map(
                    static fn (int $i): string => \sprintf("%d-%02d,R,1\n", 2022 + intdiv($i, 12), ($i % 12) + 1),
                    range(0, 59),
                ),
            ),
            array_map(
                static fn (int $i): string => \sprintf('AC %d-%02d R 1', 2022 + intdiv($i, 12), ($i % 12) + 1),
                range(0, 59),
            ),
        ];
    }

    /** @param list<string> $facts */
    #[DataProvider('files')]
    public function testRecognisesTheFileWithoutHelp(string $file, array $facts): void
    {
        $read = array_map(
            static fn (Fact $fact): string => implode(' ', [
                $fact->scenario->value,
                $fact->period->key(),
                ...$fact->members,
                $fact->amount,
                ...'Amount' === $fact->measure ? [] : [$fact->measure],
            ]),
            iterator_to_array(Written::figures($file)->facts(), false),
        );
        sort($facts);
        sort($read);
        self::assertSame($facts, $read);
    }

    /** @return iterable<string, array{string, string}> a file and the sentence that refuses it */
    public static function refused(): iterable
    {
        yield 'empty' => ['', 'The file is empty. Give one with a header row and at least one row of figures.'];
        yield 'blank' => [" \n \n", 'The file is empty. Give one with a header row and at least one row of figures.'];
        yield 'header only' => [
            "Month,Actual\n", 'The file has a header and no figures below it. Give at least one row of figures.',
        ];
        yield 'no number' => [
            "Month,Actual\n2026-01,1\n2026-02,1.2.3\n",
            'Row 3: "1.2.3" is not a number. Mend it in the file, or leave the row out.',
        ];
        yield 'no period' => [
            "Month,Actual\n2026-01,1\nwhenever,1\n",
            'Row 3: "whenever" is not a period. Mend it in the file, or leave the row out.',
        ];
        yield 'a missing period' => [
            "Month,Actual\n2026-01,1\n,4\n", 'Row 3: the period is missing. Fill it in, or leave the row out.',
        ];
        yield 'two grains' => [
            "Month,Actual\n2026-01,1\n2026-02,2\nQ1 2026,3\n",
            'Row 4: "Q1 2026" is a quarter, the other rows are months. Leave the row out, or bring it in as a '
                .'dataset of its own.',
        ];
        yield 'an unknown scenario' => [
            "Month,Scenario,Amount\n2026-01,Actual,1\n2026-02,Guess,1\n",
            'Row 3: "Guess" is not a scenario. Write actual, budget, forecast, target or prior year.',
        ];
        yield 'too many cells' => [
            "Month,Actual\n2026-01,1,5\n",
            'Row 2: it has 3 cells where the header has 2. Put cells that hold the delimiter in quotes.',
        ];
        yield 'too many digits' => [
            "Month,Actual\n2026-01,1\n2026-02,".str_repeat('9', 400)."\n",
            'Row 3: "'.str_repeat('9', 60).'…" has more than 18 digits. Mend it in the file, or leave the row out.',
        ];
        yield 'a workbook' => [
            "PK\x03\x04....",
            'The workbook is damaged: it cannot be unpacked. Open it where it was made and save it again.',
        ];
        yield 'all text' => ["Who,What\nyou,me\n", 'No column holds amounts. Say which one does.'];
        yield 'no amount at all' => [
            "Month,Actual\n2026-01,-\n", 'The file holds no figures: every amount is missing.',
        ];
        yield 'the year 99999' => [
            "Month,Actual\n2026-01,1\n99999-01,1\n",
            'Row 3: "99999-01" is not a period. Mend it in the file, or leave the row out.',
        ];
        yield 'a percentage twice' => [
            "Month,Punctuality %\n2026-01,91\n2026-01,95\n",
            'Row 3: Punctuality is not added up, and an earlier row has one for the same key; two cannot be added. '
                .'Take in a column that tells them apart, or leave one out.',
        ];
    }

    #[DataProvider('refused')]
    public function testRefusesWithTheRowAndTheRemedy(string $file, string $sentence): void
    {
        $this->expectExceptionObject(RefusedFigures::whole($sentence));
        Written::figures(
            $file,
            'a workbook' === $this->dataName()
                ? []
                : ('no amount at all' === $this->dataName()
                    ? ['columns' => ['Month' => ['role' => 'period'], 'Actual' => ['role' => 'amount']]]
                    : []),
        );
    }

    public function testNamesEveryRefusedRow(): void
    {
        try {
            Written::figures("Month,Actual\nx,1\n2026-02,y\n2026-03,3\nTotal,4\n");
            self::fail('It was read.');
        } catch (RefusedFigures $refused) {
            self::assertSame([2, 3], array_map(static fn ($refusal): int => $refusal->row, $refused->refusals));
        }
        self::assertSame(
            1, Written::figures("Month,Actual\nx,1\n2026-02,y\n2026-03,3\nTotal,4\n", ['leaveOut' => [2, 3]])->count(),
        );
    }

    public function testSaysThatRowsWereSummed(): void
    {
        $notices = Written::figures("Month,Amount\n2026-01,1\n2026-01,2\n2026-01,3\n")->dataset()->notices;
        self::assertSame('2 amounts shared their key with other rows and were added up', $notices[0]->says);
    }

    public function testAMappingOverrulesTheGuess(): void
    {
        $facts = iterator_to_array(
            Written::figures("A,B\n202601,5\n", [
                'columns' => [
                    'A' => ['role' => 'period'],
                    'B' => ['role' => 'amount', 'scenario' => 'BU', 'measure' => 'Fuel'],
                ],
            ])->facts(),
            false,
        );
        self::assertSame(
            ['Fuel', 'BU', '2026-01'], [$facts[0]->measure, $facts[0]->scenario->value, $facts[0]->period->key()],
        );
    }

    public function testAsksWhatTheFileCannotTell(): void
    {
        $sheet = Written::sheet("Date,Actual\n03/04/2026,1.234\n04/04/2026,2.345\n");
        self::assertSame(['decimal', 'dates'], RoleGuess::doubts($sheet, RoleGuess::of($sheet)));
        $months = Written::sheet("Month,Actual\nJan,1\nFeb,2\n");
        self::assertSame(['year'], RoleGuess::doubts($months, RoleGuess::of($months)));
    }

    public function testUnitsOfTheHeaderAndCostsByName(): void
    {
        $measures = Written::figures("Month,Fuel cost (EUR),Punctuality %\n2026-01,1,90\n")->dataset()->measures;
        self::assertSame(
            ['Fuel cost', 'EUR', 'less', true],
            [$measures[0]->name, $measures[0]->unit, $measures[0]->better()->value, $measures[0]->isBetterGuessed()],
        );
        self::assertSame(['Punctuality', '%'], [$measures[1]->name, $measures[1]->unit]);
    }

    public function testANameWithAndWithoutTheApostropheOfAnExportIsNotOneMember(): void
    {
        $figures = Written::figures("Month,Route,Actual\n2026-01,'=A,10\n2026-02,'=A,5\n");
        self::assertSame(['=A'], $figures->dataset()->maybeBreakdown('Route')?->members);
        $this->expectException(RefusedFigures::class);
        $this->expectExceptionMessage('"=A" stands with an apostrophe before it in some rows');
        Written::figures("Month,Route,Actual\n2026-01,=A,10\n2026-01,'=A,5\n");
    }
}
