<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Import;

use Doctrine\DBAL\DriverManager;
use KeenMargin\App\Export\Table\CsvWriter;
use KeenMargin\App\Export\Table\ExactCell;
use KeenMargin\App\Export\Table\SafeText;
use KeenMargin\App\Import\ReadingFile;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Work\Cancelled;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Text\Refusal;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Files between being handed in and being kept. */
final class ShelfTest extends TestCase
{
    private string $folder;
    private ReadingShelf $shelf;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/keen-shelf-'.bin2hex(random_bytes(4));
        $this->shelf = new ReadingShelf(
            $this->folder, new CurrentJob(DriverManager::getConnection(['driver' => 'pdo_sqlite', 'memory' => true])),
        );
    }

    protected function tearDown(): void
    {
        foreach (glob("$this->folder/*") ?: [] as $path) {
            is_dir($path) ? array_map(unlink(...), glob("$path/*") ?: []) : unlink($path);
            is_dir($path) && rmdir($path);
        }
        is_dir($this->folder) && rmdir($this->folder);
    }

    public function testWorkTellsHowFarItIsAndEndsWhenItIsCalledOff(): void
    {
        $id = $this->shelf->put('a.csv', Written::file('x'))->id;
        $sign = $this->shelf->begin($id)->of('reading');
        $sign(8192);
        self::assertSame(['phase' => 'reading', 'done' => 8192], $this->shelf->progress($id));
        $this->shelf->cancel($id);
        $this->expectException(Cancelled::class);
        $sign(16384);
    }

    public function testWorkBegunAnewEndsTheWorkBefore(): void
    {
        $id = $this->shelf->put('a.csv', Written::file('x'))->id;
        $first = $this->shelf->begin($id)->of('reading');
        $second = $this->shelf->begin($id)->of('writing');
        $second(1);
        $this->expectExceptionObject(new Cancelled('It was cancelled. Nothing was kept.'));
        $first(1);
    }

    public function testWhatWasReadIsRememberedByItsMapping(): void
    {
        $id = $this->shelf->put('a.csv', Written::file('x'))->id;
        $read = new ReadFigures(Written::figures("Month,Route,Actual\n2026-01,North,1.50\n2026-01,Holm,-2\n"), 2, 0);
        $this->shelf->remember($id, 'mapping', $read);
        self::assertEquals($read, $this->shelf->maybeRead($id, 'mapping'));
        self::assertNull($this->shelf->maybeRead($id, 'another mapping'));
    }

    public function testRefusedRowsAreRemembered(): void
    {
        $id = $this->shelf->put('a.csv', Written::file('x'))->id;
        self::assertSame([], $this->shelf->refusals($id));
        $this->shelf->refused($id, [new Refusal(3, 'Actual', 'no')]);
        self::assertEquals([new Refusal(3, 'Actual', 'no')], $this->shelf->refusals($id));
    }

    #[TestWith(['ledger-2026-07.csv', 'ledger-2026-08.csv', true])]
    #[TestWith(['Ledger Jul 2026.xlsx', 'ledger_august_2026.csv', true])]
    #[TestWith(['ledger-v3.csv', 'ledger v4 final.csv', false])]
    #[TestWith(['ledger.csv', 'budget.csv', false])]
    #[TestWith(['Pasted table', 'Pasted table', false])]
    public function testAFileIsOfAKindByItsName(string $name, string $other, bool $is): void
    {
        self::assertSame($is, (new ReadingFile('', $name, '', ''))->isCalledLike($other));
    }

    public function testWhatWasReadComesBackWhole(): void
    {
        $id = $this->shelf->put('a.csv', Written::file('x'))->id;
        $csv =
            "Month,Route,Class,Actual,Budget\n2026-01,North,Foot,1.5,2\n2026-01,Total,,1.5,2\n2026-02,North,Foot,3,\n";
        $read = new ReadFigures(Written::figures($csv, []), 3, 0);
        $this->shelf->remember($id, 'key', $read);
        self::assertEquals($read, $this->shelf->maybeRead($id, 'key'));
        self::assertStringNotContainsString('Incomplete', print_r($this->shelf->maybeRead($id, 'key'), true));
        self::assertNull($this->shelf->maybeRead($id, 'another'));
    }

    public function testKeptFilesAreCopiesThatNobodyChanges(): void
    {
        $files = new KeptFiles($this->folder);
        $path = Written::file('as it came');
        $kept = static function (string $path) use ($files): string {
            $copy = $files->copied($path, 'abc123');
            $copy->keep();

            return $copy->name;
        };
        $name = $kept($path);
        file_put_contents($path, 'changed later');
        self::assertSame('as it came', file_get_contents((string) $files->maybePath($name)));
        self::assertSame($name, $kept(Written::file('as it came')), 'the same once');
        foreach (['../etc/passwd', 'abc123', 'abc123-99', ''] as $other) {
            self::assertNull($files->maybePath($other));
        }
    }

    #[TestWith(['=1+1', "'=1+1"])]
    #[TestWith(['+49', "'+49"])]
    #[TestWith(['-', "'-"])]
    #[TestWith(['@home', "'@home"])]
    #[TestWith(["'=1", "''=1"])]
    #[TestWith(["'t Veer", "'t Veer"])]
    #[TestWith(['North', 'North'])]
    #[TestWith(['', ''])]
    public function testTextThatAProgramWouldRunIsMadeHarmlessAndReadsBack(string $text, string $safe): void
    {
        self::assertSame($safe, SafeText::of($text));
        self::assertSame($text, Cell::clean($safe));
    }

    public function testCellsAreQuotedWhereTheyMustBe(): void
    {
        self::assertSame(
            ['North', '"a,b"', '"say ""so"""', "\"two\nlines\"", '" spaced"', '-1.50', "'-x"],
            array_map(CsvWriter::cell(...), [
                'North', 'a,b', 'say "so"', "two\nlines", ' spaced', new ExactCell('-1.50'), '-x',
            ]),
        );
        self::assertSame(
            [true, true, false],
            [
                (new ExactCell('-0.000000000000001'))->fitsANumber(),
                (new ExactCell('123456789012345'))->fitsANumber(),
                (new ExactCell('1234567890123.456'))->fitsANumber(),
            ],
        );
    }
}
