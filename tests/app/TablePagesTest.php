<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\Core\Scene\Paging;
use PHPUnit\Framework\TestCase;

/** Long comparison tables as PDF: pages with the heads of their columns, every row once. */
final class TablePagesTest extends TestCase
{
    private const ROWS = 180;

    public function testALongTableHasItsHeadsOnEachPageAndEveryRowOnce(): void
    {
        $csv = "Customer,Actual,Budget\n";
        for ($row = 1; $row <= self::ROWS; ++$row) {
            $csv .= \sprintf("Customer %03d,%d,%d\n", $row, 100 + $row, 90 + 2 * $row);
        }
        $id = Kept::made($csv);
        $recipe = [
            'keenMargin' => 1,
            'question' => ['by' => 'Customer', 'columns' => ['AC', 'BU', "\u{0394}BU"]],
            'kind' => 'comparison-table',
        ];
        $pdf = Server::send('POST', "/api/datasets/$id/pictures.pdf", ['recipe' => $recipe]);
        self::assertSame(200, $pdf->status, $pdf->body);
        $file = (string) tempnam(sys_get_temp_dir(), 'table');
        file_put_contents($file, $pdf->body);
        $pages = explode("\f", rtrim((string) shell_exec('pdftotext -layout '.escapeshellarg($file).' -'), "\f"));
        unlink($file);
        self::assertGreaterThan(3, \count($pages));
        $names = [];
        foreach ($pages as $number => $page) {
            self::assertMatchesRegularExpression('/AC\s+BU\s+ΔBU/u', $page);
            self::assertMatchesRegularExpression(\sprintf('#%d ?/ ?%d#', $number + 1, \count($pages)), $page);
            preg_match_all('/Customer \d{3}/', $page, $found);
            array_push($names, ...$found[0]);
        }
        self::assertCount(self::ROWS, $names);
        self::assertCount(self::ROWS, array_unique($names));
    }

    public function testPagesAreCutAtRowsAndHoldWhatTheyHaveRoomFor(): void
    {
        $paging = new Paging(50.0, 84.0, array_map(static fn (int $row): float => 84.0 + 22.0 * $row, range(1, 99)));
        $pages = $paging->pages(500.0, 84.0 + 22.0 * 100);
        self::assertSame(0.0, $pages[0][0]);
        foreach ($pages as $number => [$from, $to]) {
            $room = 0 === $number ? 500.0 : 500.0 - 34.0;
            self::assertLessThanOrEqual($room, $to - $from);
            self::assertSame($to, $pages[$number + 1][0] ?? $to);
        }
    }
}
