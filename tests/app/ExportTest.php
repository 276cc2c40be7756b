<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use Doctrine\DBAL\DriverManager;
use KeenMargin\App\Export\WorkingsCsv;
use KeenMargin\App\Import\NoLongerHere;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

final class ExportTest extends TestCase
{
    public function testWorkingsReadBackInAsTheSameNumbers(): void
    {
        $csv = "Month,Actual,Budget\n2026-01,-302.10,310\n2026-02,,298\n";
        $sheet = Written::sheet(WorkingsCsv::of(Written::workings($csv, ['against' => ['BU']])));
        self::assertSame(
            [
                'Period', 'AC', 'BU', 'Shown', 'Variance BU', 'Variance BU %', 'Effect BU', 'Flagged BU', 'Compared BU',
                'Absent BU',
            ],
            $sheet->header,
        );
        self::assertSame(
            [
                ['2026-01', '-302.10', '310.00', '-302.10', '-612.10', '-197.4516', 'unfavourable', 'no', 'all'],
                ['2026-02', '', '298.00'],
                [
                    'Total', '-302.10', '608.00', '-302.10', '-612.10', '-197.4516', 'unfavourable', 'no',
                    'without 2026-02',
                ],
            ],
            array_values($sheet->rows),
        );
    }

    public function testAReadingLiesOnTheShelfUntilItIsDropped(): void
    {
        $folder = sys_get_temp_dir().'/keen-shelf-'.bin2hex(random_bytes(4));
        $shelf = new ReadingShelf(
            $folder, new CurrentJob(DriverManager::getConnection(['driver' => 'pdo_sqlite', 'memory' => true])),
        );
        $id = $shelf->put('näme.csv', Written::file("a\nb\0c"))->id;
        self::assertSame(['näme.csv', "a\nb\0c"], [$shelf->get($id)->name, file_get_contents($shelf->get($id)->path)]);
        touch("$folder/$id", time() - 90_000);
        $other = $shelf->put('other', Written::file(''))->id;
        self::assertSame([$other], array_map(basename(...), glob("$folder/*") ?: []), 'a day later it is gone');
        $shelf->drop($other);
        rmdir($folder);
        $this->expectException(NoLongerHere::class);
        $shelf->get($other);
    }
}
