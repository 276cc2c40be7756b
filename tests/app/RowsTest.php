<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** A row of a chart over HTTP: the files that its numbers came from, and where to go from it. */
final class RowsTest extends TestCase
{
    private const RECIPE = ['keenMargin' => 1, 'question' => ['against' => ['BU']], 'kind' => 'variance-tiers'];

    private static function dataset(int $lines = 260): int
    {
        $csv = "Month,Route,Amount,Budget\n2026-07,North,3,4\n";
        for ($i = 0; $i < $lines; ++$i) {
            $csv .= "2026-08,Stop $i,$i,1\n";
        }

        return Kept::made($csv);
    }

    public function testARowTellsItsFilesAndTheWaysOn(): void
    {
        $id = self::dataset(3);
        $row = Server::send('POST', "/api/datasets/$id/rows", ['recipe' => self::RECIPE, 'row' => '2026-08']);
        self::assertSame(
            [200, 'Aug 2026', true, ['Route']],
            [$row->status, $row->text('label'), $row->at('canNote'), array_column((array) $row->at('deeper'), 'by')],
        );
        self::assertSame(['AC', 'BU'], array_column((array) $row->at('scenarios'), 'scenario'));
        self::assertSame(
            ['ledger-2026-07.csv', 3],
            [$row->text('scenarios', 0, 'imports', 0, 'name'), $row->int('scenarios', 0, 'imports', 0, 'facts')],
        );
        self::assertSame(['from' => '2026-07', 'to' => '2026-07'], $row->at('without', 'question', 'span'));
        $deeper = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => $row->at('deeper', 0, 'recipe')]);
        self::assertSame(
            ['Stop 0', 'Stop 1', 'Stop 2', 'total'], array_column((array) $deeper->at('workings', 'rows'), 'key'),
        );
        self::assertSame(
            422, Server::send('POST', "/api/datasets/$id/rows", ['recipe' => self::RECIPE, 'row' => 'x'])->status,
        );
    }

    public function testItsSourceRowsComeInPagesAndAsOneTable(): void
    {
        $id = self::dataset();
        $page = static fn (int $number): Answer => Server::send('POST', "/api/datasets/$id/rows/sources", [
            'recipe' => self::RECIPE,
            'row' => '2026-08',
            'scenario' => 'AC',
            'page' => $number,
        ]);
        $rows = static fn (Answer $answer): array => array_column((array) $answer->at('files', 0, 'rows'), 'row');
        self::assertSame(
            [range(3, 102), true, 1],
            [$rows($page(1)), $page(1)->at('files', 0, 'hasMore'), $page(1)->int('files', 0, 'first')],
        );
        self::assertSame(
            [range(203, 262), false, 201],
            [$rows($page(3)), $page(3)->at('files', 0, 'hasMore'), $page(3)->int('files', 0, 'first')],
        );
        self::assertSame([], $rows($page(4)));
        $table = Server::send('POST', "/api/datasets/$id/rows/sources.csv", [
            'recipe' => self::RECIPE,
            'row' => '2026-08',
            'scenario' => 'AC',
        ]);
        $lines = explode("\r\n", trim($table->body));
        self::assertSame(
            [261, 'File,Row,Month,Route,Amount,Budget', 'ledger-2026-07.csv,3,2026-08,Stop 0,0,1'],
            [\count($lines), $lines[0], $lines[1]],
        );
        self::assertSame(422, $page(0)->status);
    }

    public function testWhatWouldRunAsAFormulaDoesNot(): void
    {
        $id = Kept::made("Month,Route,Amount\n2026-07,\"=cmd|' /C calc'!A0\",3\n");
        $table = Server::send('POST', "/api/datasets/$id/rows/sources.csv", [
            'recipe' => ['question' => ['better' => 'more']] + self::RECIPE,
            'row' => '2026-07',
            'scenario' => 'AC',
        ])->body;
        self::assertStringContainsString("'=cmd", $table);
    }
}
