<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

final class CommandLineTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/keen-command-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        $this->file(
            'recipe.json',
            '{"keenMargin":1,"question":{"measure":"Net '
                .'revenue","against":["BU"],"by":"month"},"kind":"variance-tiers"}',
        );
        $this->file('figures.csv', "Month;Actual;Budget\n02.2026;311,5;298\n01.2026;302;310\n");
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob($this->folder.'/*') ?: []);
        rmdir($this->folder);
    }

    private function file(string $name, string $bytes): void
    {
        file_put_contents("$this->folder/$name", $bytes);
    }

    /**
     * @param list<string> $arguments
     *
     * @return array{int, string, string} exit code, standard output, standard error
     */
    private function keen(array $arguments, string $input = ''): array
    {
        return Command::keen($arguments, $input, $this->folder);
    }

    public function testWorkingsPrintEveryNumberInCalendarOrder(): void
    {
        [$code, $output, $errors] = $this->keen(['workings', 'recipe.json', 'figures.csv']);
        self::assertSame([0, ''], [$code, $errors]);
        $workings = json_decode($output, true);
        \assert(\is_array($workings) && \is_array($workings['rows']) && \is_array($workings['total']));
        self::assertSame(['2026-01', '2026-02'], array_column($workings['rows'], 'key'));
        self::assertSame(['302.0', '311.5'], array_column($workings['rows'], 'shown'));
        self::assertSame('613.5', $workings['total']['shown']);
    }

    public function testDrawWritesTheSamePictureFromAFileAndFromStandardInput(): void
    {
        self::assertSame([0, '', ''], $this->keen(['draw', 'recipe.json', 'figures.csv', '-o', 'a.svg']));
        self::assertSame(
            0,
            $this->keen(
                ['draw', '-o', 'b.svg', 'recipe.json', '-'], (string) file_get_contents("$this->folder/figures.csv"),
            )[0],
        );
        self::assertStringContainsString('<svg', (string) file_get_contents("$this->folder/a.svg"));
        self::assertSame(
            str_replace('figures', 'Figures', (string) file_get_contents("$this->folder/a.svg")),
            file_get_contents("$this->folder/b.svg"),
        );
    }

    /** @return iterable<string, array{list<string>, string, string}> arguments, standard input, standard error */
    public static function refused(): iterable
    {
        yield 'a bad number' => [
            ['draw', 'recipe.json', '-', '-o', 'out.svg'],
            "Month,Actual,Budget\n2026-01,x,1\n2026-02,5,5\n2026-03,5,5\n",
            'Row 2: "x" is not a number. Mend it in the file, or leave the row out.',
        ];
        yield 'no figures' => [
            ['draw', 'recipe.json', '-', '-o', 'out.svg'],
            '',
            'The file is empty. Give one with a header row and at least one row of figures.',
        ];
        yield 'no actuals' => [
            ['draw', 'recipe.json', '-', '-o', 'out.svg'],
            "Month,Budget\n2026-01,1\n",
            'question.scenario: There are no actual figures (AC); there are BU.',
        ];
        yield 'a workbook' => [
            ['draw', 'recipe.json', '-', '-o', 'out.svg'],
            "PK\x03\x04",
            'The workbook is damaged: it cannot be unpacked. Open it where it was made and save it again.',
        ];
        yield 'no such file' => [
            ['draw', 'recipe.json', 'nothing.csv', '-o', 'out.svg'],
            '',
            'nothing.csv: there is no such file of figures that can be read.',
        ];
        yield 'an unknown format' => [
            ['draw', 'recipe.json', 'figures.csv', '-o', 'out.bmp'],
            '',
            'out.bmp: the ending chooses the format; known are .svg, .png (also @2x.png and @3x.png), .pdf and .pptx.',
        ];
        yield 'an unknown option' => [
            ['draw', 'recipe.json', 'figures.csv', '--fast'],
            '',
            'The option --fast is not known; see ./keen draw --help.',
        ];
        yield 'dates in doubt' => [
            ['workings', 'recipe.json', '-'],
            "Date,Actual,Budget\n03/04/2026,1,2\n02/03/2026,1,2\n",
            'Dates such as "03/04/2026" can be read in two ways: "dates" is "day first" or "month first". Say it '
                .'under "figures" in the recipe.',
        ];
        yield 'a number in doubt' => [
            ['workings', 'recipe.json', '-'],
            "Month,Actual\n2026-01,1.234\n",
            'Numbers such as "1.234" can be read in two ways: "decimal" is "." or ",". Say it under "figures" in the '
                .'recipe.',
        ];
        yield 'a quoted number in doubt' => [
            ['workings', 'recipe.json', '-'],
            "Month,Actual\n2026-01,\"1,234\"\n",
            'Numbers such as "1,234" can be read in two ways: "decimal" is "." or ",". Say it under "figures" in the '
                .'recipe.',
        ];
        yield 'percentages in doubt' => [
            ['workings', 'recipe.json', '-'],
            "Month,Margin\n2026-01,12 %\n2026-02,0.5\n",
            '"Margin" holds percentages and plain numbers such as "0.5": "percents" is "points" (0.5 is 0.5 %) or '
                .'"fractions" (0.5 is 50 %). Say it under "figures" in the recipe.',
        ];
        yield 'one file' => [
            ['workings', 'recipe.json'], '', 'Give a recipe and a file of figures; see ./keen workings --help.',
        ];
        yield 'an unknown command' => [['paint'], '', 'There is no command "paint". ./keen lists them.'];
        yield 'a place that cannot be written' => [
            ['draw', 'recipe.json', 'figures.csv', '-o', 'no/such/folder/out.svg'],
            '',
            'no/such/folder/out.svg cannot be written. Choose another place.',
        ];
    }

    /** @param list<string> $arguments */
    #[\PHPUnit\Framework\Attributes\DataProvider('refused')]
    public function testRefusalsAreOneLineAndWriteNothing(array $arguments, string $input, string $says): void
    {
        self::assertSame([2, '', $says."\n"], $this->keen($arguments, $input));
        self::assertSame(['figures.csv', 'recipe.json'], array_map(basename(...), glob($this->folder.'/*') ?: []));
    }

    public function testListsItsCommandsAndEachHasHelp(): void
    {
        [, $list] = $this->keen([]);
        foreach (['demo', 'serve', 'import', 'workings', 'draw', 'test', 'bench'] as $command) {
            self::assertStringContainsString("./keen $command", $list);
            [$code, $help] = $this->keen([$command, '--help']);
            self::assertSame(0, $code);
            self::assertStringStartsWith("Usage: ./keen $command", $help);
        }
    }

    public function testTheRecipeMayTellHowItsFileIsRead(): void
    {
        $this->file(
            'told.json',
            '{"keenMargin":1,"question":{"by":"quarter"},"kind":"variance-tiers",'
                .'"figures":{"columns":{"P":{"role":"period"},'
                .'"X":{"role":"amount","measure":"Fuel"}},"fiscalYearStarts":4,"year":2026}}',
        );
        [$code, $output] = $this->keen(['workings', 'told.json', '-'], "P,X\nMar,1\nApr,2\n");
        self::assertSame(0, $code);
        $workings = json_decode($output, true);
        \assert(\is_array($workings) && \is_array($workings['rows']));
        self::assertSame(['FY2026-Q4', 'FY2027-Q1'], array_column($workings['rows'], 'key'));
    }

    public function testWhatIsInDoubtIsToldInTheRecipe(): void
    {
        $this->file(
            'told.json',
            '{"keenMargin":1,"question":{"by":"day"},"kind":"variance-tiers","figures":{"dates":"month '
                .'first","decimal":","}}',
        );
        [$code, $output, $errors] = $this->keen(
            ['workings', 'told.json', '-'], "Date,Actual\n03/04/2026,1.234\n02/03/2026,1.000\n",
        );
        self::assertSame([0, ''], [$code, $errors]);
        self::assertStringContainsString('"key": "2026-03-04"', $output);
        self::assertStringContainsString('"shown": "1234"', $output);
    }

    public function testRecipesAndFiguresComeThroughPipes(): void
    {
        $keen = escapeshellarg(\dirname(__DIR__, 2).'/keen');
        $command = "$keen workings <(cat recipe.json) <(cat figures.csv)";
        $printed = shell_exec('cd '.escapeshellarg($this->folder).' && bash -c '.escapeshellarg($command).' 2>&1');
        self::assertStringContainsString('"shown": "311.5"', (string) $printed);
    }

    public function testAnyFormatIsDrawnFromAFileAndFromStandardInput(): void
    {
        $book = \dirname(__DIR__).'/fixtures/figures/two-headers.xlsx';
        $this->file('plain.json', '{"keenMargin":1,"question":{"against":["BU"]},"kind":"variance-tiers"}');
        foreach ([[$book, ''], ['-', (string) file_get_contents($book)]] as [$file, $input]) {
            [$code, $output, $errors] = $this->keen(['workings', 'plain.json', $file], $input);
            self::assertSame([0, ''], [$code, $errors]);
            self::assertStringContainsString('"shown": "303100"', $output);
        }
        $this->file(
            'sheet.json', '{"keenMargin":1,"question":{},"kind":"variance-tiers","figures":{"sheet":"Read me"}}',
        );
        self::assertSame(
            [2, '', "The file has a header and no figures below it. Give at least one row of figures.\n"],
            $this->keen(['workings', 'sheet.json', $book]),
        );
    }

    public function testTheMonthlyFileComesInWithoutThePage(): void
    {
        putenv("KEEN_DATA=$this->folder/data.sqlite");
        try {
            $this->file('july.csv', "Month,Route,Actual\n2026-06,North,10\n2026-07,North,20\n");
            $this->file('august.csv', "Month,Route,Actual\n2026-07,North,22\n2026-08,North,30\n2026-08,Total,30\n");
            self::assertSame(
                [2, '', "There is no dataset \"Ledger\". Give --new to make it.\n"],
                $this->keen(['import', 'Ledger', 'july.csv']),
            );
            self::assertSame(
                [0, "Ledger (dataset 1): 2 added, 0 replaced, 0 unchanged, 0 removed; 2 rows read.\n", ''],
                $this->keen(['import', 'Ledger', 'july.csv', '--new']),
            );
            self::assertSame(
                [
                    0,
                    "Ledger (dataset 1): 1 added, 1 replaced, 0 unchanged, 0 removed; 3 rows read.\n1 row of totals "
                        ."was left out; it ties with its figures.\n",
                    '',
                ],
                $this->keen(['import', '1', 'august.csv']),
            );
            self::assertSame(
                [
                    0,
                    "Ledger (dataset 1): 0 added, 0 replaced, 2 unchanged, 1 removed; 3 rows read.\n1 row of totals "
                        ."was left out; it ties with its figures.\n",
                    '',
                ],
                $this->keen(['import', 'Ledger', 'august.csv', '--mode', 'replace-all']),
            );
            foreach (
                [
                    [['--mode', 'twice'], '--mode: "twice" is not known; give add, replace-periods or replace-all.'],
                    [['--fast'], 'The option --fast is not known; see ./keen import --help.'],
                    [['--sheet'], 'Give a dataset and a file of figures; see ./keen import --help.'],
                    [
                        ['--mapping', 'recipe.json'],
                        'keenMargin: This key is not known; accepted are columns, decimal, dates, measure, year, '
                            .'leaveOut, measures, fiscalYearStarts, grain, sameAs, totals, header, sheet, bands, '
                            .'percents, lines, closedThrough.',
                    ],
                ] as [$more, $says]
            ) {
                self::assertSame([2, '', "$says\n"], $this->keen(['import', 'Ledger', 'august.csv', ...$more]));
            }
        } finally {
            putenv('KEEN_DATA');
            array_map(unlink(...), glob("$this->folder/files/*") ?: []);
            rmdir("$this->folder/files");
        }
    }
}
