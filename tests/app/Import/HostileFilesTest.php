<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Import;

use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Broken and hostile files, over HTTP against the real thing: refused with one sentence, the database as it was. */
final class HostileFilesTest extends TestCase
{
    private const DAMAGED = 'The workbook is damaged';
    private const NO_TEXT = 'This is not a text file';

    /** @return iterable<string, array{string, string, 2?: string}> bytes, what the refusal says, name of the file */
    public static function files(): iterable
    {
        yield from self::texts();
        yield from self::rows();
        yield from self::binaries();
        yield from self::workbooks();
        yield from self::openWorkbooks();
        yield from self::lines();
    }

    /** @return iterable<string, array{string, string, 2?: string}> */
    private static function texts(): iterable
    {
        yield 'empty' => ['', 'The file is empty.'];
        yield 'blank' => [" \r\n\t\r\n", 'The file is empty.'];
        yield 'a byte order mark alone' => ["\xEF\xBB\xBF", 'The file is empty.'];
        yield 'a UTF-16 mark alone' => ["\xFF\xFE", 'The file is empty.'];
        yield 'header only' => ["Month,Actual\n", 'The file has a header and no figures below it.'];
        yield 'header and blank rows' => ["Month,Actual\n,\n,\n", 'The file has a header and no figures below it.'];
        yield 'all text' => ["Who,What\nyou,me\nhe,she\n", 'No column holds amounts.'];
        yield 'prose' => [
            str_repeat("It was a dark and stormy night. The rain fell.\n", 40), 'No column holds amounts.',
        ];
        yield 'all missing' => ["Month,Actual\n2026-01,-\n2026-02,n/a\n", 'The file holds no figures'];
        yield 'zero bytes' => ["Month,Actual\n2026-01,1\0\n", self::NO_TEXT];
        yield 'zero bytes late' => ["Month,Actual\n".str_repeat("2026-01,1\n", 3000)."2026-02,\0\n", self::NO_TEXT];
        yield 'zero bytes in UTF-16' => [
            "\xFF\xFE".mb_convert_encoding("Month,Actual\n2026-01,1\0\n", 'UTF-16LE', 'UTF-8'), self::NO_TEXT,
        ];
        yield 'a million columns' => [
            str_repeat('a,', 999_999)."a\n".str_repeat('1,', 999_999)."1\n", 'letters. This is not a table',
        ];
        yield '1,001 columns' => [
            implode(',', array_map(static fn (int $i): string => "c$i", range(1, 1001))).
            "\n".
            implode(',', array_fill(0, 1001, '1')).
            "\n",
            'up to 1,000 can be read',
        ];
        yield 'one endless line' => [str_repeat('x', 3_000_000), 'letters. This is not a table'];
        yield 'a quote that never closes' => [
            "Month,Actual\n2026-01,1\n2026-02,\"".str_repeat("and on\n", 200_000),
            'a quoted cell begins here and does not end',
        ];
        yield 'many enormous cells' => [
            "Month,Memo,Actual\n".str_repeat('2026-01,'.str_repeat('y', 190_000).",x\n", 300),
            'No column holds amounts.',
        ];
        yield 'HTML' => [
            "<!doctype html><html><body><table><tr><td>1</td></tr></table></body></html>\n",
            'The file has a header and no figures below it.',
        ];
        yield 'one JSON list' => ['[{"Month":"2026-01","Actual":1}]', 'Give one object a line'];
    }

    /** @return iterable<string, array{string, string, 2?: string}> */
    private static function rows(): iterable
    {
        $good = "Month,Actual\n2026-01,1\n2026-02,2\n";
        yield 'a number with two points' => [$good."2026-03,1.2.3\n", 'Row 4: "1.2.3" is not a number.'];
        yield '400 digits' => [$good.'2026-03,'.str_repeat('9', 400)."\n", 'has more than 18 digits'];
        yield '400 decimals' => [$good.'2026-03,0.'.str_repeat('1', 400)."\n", 'has more than 18 digits'];
        yield 'infinity' => [$good."2026-03,Infinity\n", 'is not a number'];
        yield 'not a number at all' => [$good."2026-03,NaN\n", 'is not a number'];
        yield 'hexadecimal' => [$good."2026-03,0x1F\n", 'is not a number'];
        yield 'an exponent in text' => [$good."2026-03,1e999999\n", 'is not a number'];
        yield 'a formula' => [$good."2026-03,=1+1\n", 'is not a number'];
        yield 'a formula error' => [$good."2026-03,#REF!\n", 'is a formula\'s error'];
        yield 'an office error' => [$good."2026-03,Err:502\n", 'is a formula\'s error'];
        yield 'the year 99999' => [$good."99999-01,3\n", 'Row 4: "99999-01" is not a period.'];
        yield 'the year 0' => [$good."0000-01,3\n", 'is not a period'];
        yield 'the 13th month' => [$good."2026-13,3\n", 'is not a period'];
        yield 'the 30th of February' => ["Date,Actual\n2026-01-05,1\n2026-02-30,2\n", 'is not a period'];
        yield 'a week that is not' => ["Week,Actual\n2026-W01,1\n2025-W53,2\n", 'is not a period'];
        yield 'no period' => [$good.",3\n", 'Row 4: the period is missing.'];
        yield 'another grain' => [$good."Q2 2026,3\n", 'is a quarter, the other rows are months'];
        yield 'too many cells' => [$good."2026-03,3,4,5\n", 'Row 4: it has 4 cells where the header has 2.'];
        yield 'an unknown scenario' => [
            "Month,Scenario,Amount\n2026-01,Actual,1\n2026-02,Actual,1\n2026-03,Dream,1\n",
            'Row 4: "Dream" is not a scenario.',
        ];
        yield 'a long name' => ["Month,Route,Actual\n2026-01,".str_repeat('x', 501).",1\n", 'a name has 501 letters'];
        yield 'a percentage twice' => ["Month,Punctuality %\n2026-01,91\n2026-01,95\n", 'two cannot be added'];
        yield 'digits that do not fit together' => [
            "Month,Actual\n2026-01,123456789012345678\n2026-02,0.0000000001\n",
            'too many digits beside amounts with 10 decimals',
        ];
        yield 'a sum that does not fit' => [
            "Month,Route,Actual\n".
            implode('', array_map(static fn (int $i): string => "2026-01,R$i,999999999999999999\n", range(1, 20))),
            'The sum has more digits than can be kept exactly.',
        ];
        yield 'one key too often' => [
            "Month,Actual\n".str_repeat("2026-01,999999999999999999\n", 20), 'more digits than can be kept exactly',
        ];
        yield 'nothing but refused rows' => [
            "Month,Actual\n2026-01,1\n".str_repeat("x,1\n", 5000), '999 more rows are refused.',
        ];
        yield 'nine breakdowns' => [
            "Month,a,b,c,d,e,f,g,h,i,Actual\n2026-01,q,w,e,r,t,y,u,j,k,1\n",
            'There are 9 breakdowns; up to 8 can be kept.',
        ];
    }

    /** @return iterable<string, array{string, string, 2?: string}> */
    private static function binaries(): iterable
    {
        yield 'a PDF that says it is CSV' => ["%PDF-1.7\n1 0 obj\n", self::NO_TEXT, 'figures.csv'];
        yield 'a picture' => ["\x89PNG\r\n\x1A\n".random_bytes(60), self::NO_TEXT, 'figures.xlsx'];
        yield 'gzip' => ["\x1F\x8B\x08".random_bytes(60), self::NO_TEXT];
        yield 'a program' => ["\x7FELF\x02\x01\x01\0\0\0".random_bytes(60), self::NO_TEXT];
        yield 'an old workbook' => [
            "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1".str_repeat("\0", 600), 'an old format (.xls)', 'figures.xlsx',
        ];
        yield 'a password on it' => [
            "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1".
            str_repeat("\0", 600).
            "E\0n\0c\0r\0y\0p\0t\0e\0d\0P\0a\0c\0k\0a\0g\0e\0",
            'protected by a password',
            'figures.xlsx',
        ];
    }

    /** @return iterable<string, array{string, string, 2?: string}> */
    private static function workbooks(): iterable
    {
        $rows = Books::row(1, 'Month', 'Actual').Books::row(2, '2026-01', '5');
        $whole = Books::xlsx($rows);
        yield 'a zip cut short' => [substr($whole, 0, (int) (\strlen($whole) / 2)), self::DAMAGED];
        yield 'a zip signature alone' => ["PK\x03\x04", self::DAMAGED];
        yield 'a zip of something else' => [Books::zip(['readme.txt' => 'hello']), 'a packed file and no workbook'];
        yield 'a path out of the zip' => [
            Books::zip(['../../../../tmp/keen-evil.csv' => 'Month,Actual']), 'a packed file and no workbook',
        ];
        yield 'a workbook without sheets' => [
            Books::xlsx('', [
                'xl/workbook.xml' => '<workbook '
                    .'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheets/></workbook>',
            ]),
            'The workbook has no sheet.',
        ];
        yield 'a workbook without its relations' => [Books::zip(['xl/workbook.xml' => '<workbook/>']), self::DAMAGED];
        yield 'broken XML' => [Books::xlsx('<row r="1"><c><v>1</v></c>'), self::DAMAGED];
        yield 'nested entities' => [
            Books::xlsx('', [
                'xl/worksheets/sheet1.xml' => '<?xml version="1.0"?><!DOCTYPE w [<!ENTITY a "aaaaaaaaaa"><!ENTITY b '
                    .'"&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;"><!ENTITY c '
                    .'"&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;">]><worksheet><sheetData><row r="1"><c '
                    .'t="inlineStr"><is><t>&c;</t></is></c></row></sheetData></worksheet>',
            ]),
            'defines entities of its own',
        ];
        yield 'an entity that reads a file' => [
            Books::xlsx('', [
                'xl/workbook.xml' => '<?xml version="1.0"?><!DOCTYPE w [<!ENTITY x SYSTEM '
                    .'"file:///etc/passwd">]><workbook><sheets><sheet name="&x;"/></sheets></workbook>',
            ]),
            'defines entities of its own',
        ];
        yield 'an empty sheet' => [Books::xlsx(''), 'The file is empty.'];
        yield 'a header only' => [Books::xlsx(Books::row(1, 'Month', 'Actual')), 'a header and no figures below it'];
        yield 'a cell far to the right' => [
            Books::xlsx('<row r="1"><c r="XFD1"><v>1</v></c></row>'), 'more than 1,000 columns',
        ];
        yield 'an error cell' => [
            Books::xlsx(
                $rows.'<row r="3"><c t="inlineStr"><is><t>2026-02</t></is></c><c t="e"><v>#DIV/0!</v></c></row>',
            ),
            'Row 3: "#DIV/0!" is a formula\'s error.',
        ];
        yield 'a number with an enormous exponent' => [
            Books::xlsx($rows.'<row r="3"><c t="inlineStr"><is><t>2026-02</t></is></c><c><v>1E+308</v></c></row>'),
            'is not a number',
        ];
        yield 'a workbook that unpacks to gigabytes' => [self::bomb(), 'The workbook unpacks to more than 600 MB.'];
        yield 'texts without end' => [
            Books::xlsx($rows, ['xl/sharedStrings.xml' => '<sst><si><t>'.str_repeat('x', 30_000_000)]), self::DAMAGED,
        ];
    }

    /** @return iterable<string, array{string, string, 2?: string}> */
    private static function openWorkbooks(): iterable
    {
        $cell = static fn (
            string $text,
        ): string => "<table:table-cell office:value-type=\"string\"><text:p>$text</text:p></table:table-cell>";
        $head = '<table:table-row>'.$cell('Month').$cell('Actual').'</table:table-row>';
        yield 'an open workbook with a password' => [
            Books::ods('', '<manifest><encryption-data/></manifest>'), 'protected by a password', 'figures.ods',
        ];
        yield 'a text document' => [
            Books::ods('<text:p>Hello</text:p>'), 'holds no sheet of a workbook', 'figures.ods',
        ];
        yield 'a million equal rows' => [
            Books::ods(
                "<table:table table:name=\"a\">$head<table:table-row table:number-rows-repeated=\"1000000\">".
                    $cell('2026-01').
                    '<table:table-cell office:value-type="float" office:value="1"/></table:table-row></table:table>',
            ),
            'stands for 1,000,000 equal rows',
            'figures.ods',
        ];
        yield 'a million equal cells' => [
            Books::ods(
                "<table:table table:name=\"a\">$head<table:table-row><table:table-cell "
                    .'table:number-columns-repeated="1000000" office:value-type="float" '
                    .'office:value="1"/></table:table-row></table:table>',
            ),
            'more than 1,000 columns',
            'figures.ods',
        ];
        yield 'an open workbook, broken' => [
            Books::ods('<table:table table:name="a"><table:table-row>'), self::DAMAGED, 'figures.ods',
        ];
    }

    /** @return iterable<string, array{string, string, 2?: string}> */
    private static function lines(): iterable
    {
        $good = "{\"Month\":\"2026-01\",\"Actual\":1}\n";
        yield 'a line that is no JSON' => [$good."{\"Month\":\n", 'Row 2: it is not a JSON object.'];
        yield 'a line that is a list' => [$good."[1,2]\n", 'Row 2: it is not a JSON object.'];
        yield 'a value within a value' => [
            $good."{\"Month\":\"2026-02\",\"Actual\":{\"deep\":1}}\n", 'Row 2: a value is itself an object or a list.',
        ];
        yield 'deep nesting' => [$good.'{"a":'.str_repeat('[', 5000)."1\n", 'Row 2: it is not a JSON object.'];
        yield 'a key that comes late' => [
            str_repeat($good, 600).'{"Month":"2026-02","Actul":1}',
            'it has the key "Actul", which the first 500 lines do not have',
        ];
    }

    /** A small zip whose sheet is 700 MB of spaces. */
    private static function bomb(): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'keen-bomb');
        $file = fopen($path, 'w');
        \assert(\is_resource($file));
        fwrite($file, '<worksheet><sheetData>');
        for ($i = 0; $i < 700; ++$i) {
            fwrite($file, str_repeat(' ', 1_000_000));
        }
        fclose($file);
        $packed = (string) tempnam(sys_get_temp_dir(), 'keen-bomb');
        file_put_contents($packed, Books::xlsx(''));
        $zip = new \ZipArchive();
        $zip->open($packed);
        $zip->addFile($path, 'xl/worksheets/sheet1.xml');
        $zip->close();
        $bytes = (string) file_get_contents($packed);
        unlink($path);
        unlink($packed);

        return $bytes;
    }

    #[DataProvider('files')]
    public function testIsRefusedWithOneSentenceAndLeavesNothing(
        string $bytes,
        string $says,
        string $name = 'figures.csv',
    ): void {
        $before = Server::kept();
        $answer = Server::upload($name, $bytes);
        if (201 === $answer->status) {
            $answer = Server::done(
                Server::send('POST', '/api/datasets', ['reading' => $answer->text('id'), 'name' => 'Hostile']),
            );
        }
        self::assertSame(
            [422, 'application/problem+json'], [$answer->status, $answer->header('Content-Type')], $answer->body,
        );
        self::assertStringContainsString($says, $answer->text('detail'));
        self::assertDoesNotMatchRegularExpression(
            '/\n|KeenMargin|vendor|\.php|XMLReader|root:/', $answer->text('detail'),
        );
        self::assertSame($before, Server::kept());
        self::assertFileDoesNotExist('/tmp/keen-evil.csv');
    }

    public function testNamesWithPathsAreOnlyNames(): void
    {
        foreach (
            [
                '../../etc/passwd' => 'passwd',
                '..\\..\\boot.ini' => 'boot.ini',
                "evil\u{202E}vsc.exe" => 'evilvsc.exe',
                '' => 'Figures',
            ] as $name => $kept
        ) {
            $reading = Server::send('POST', '/api/readings', ['name' => $name, 'text' => "Month,Actual\n2026-01,1\n"]);
            self::assertSame([201, $kept], [$reading->status, $reading->at('name')]);
        }
    }
}
