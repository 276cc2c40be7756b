<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Month after month into one dataset, over HTTP: known again, merged, traced to its rows, taken back. */
final class ImportsTest extends TestCase
{
    private const JULY = "Month,Route,Actual,Budget\n2026-06,North,10,11\n2026-07,North,20,21\n2026-07,Holm,5,6\n";
    private const AUGUST = "Month,Route,Actual,Budget\n2026-07,North,22,21\n2026-08,North,30,31\n2026-08,Norht,1,1\n";

    private static function made(string $csv = self::JULY): int
    {
        return Kept::made($csv);
    }

    /** @param array<string, mixed> $more */
    private static function bringIn(int $dataset, string $csv, array $more = []): Answer
    {
        $reading = Server::send('POST', '/api/readings', ['name' => 'next.csv', 'text' => $csv, 'dataset' => $dataset]);
        self::assertSame(201, $reading->status, $reading->body);

        return Server::send('POST', "/api/datasets/$dataset/imports", ['reading' => $reading->text('id')] + $more, [
            'If-Match' => Server::send('GET', "/api/datasets/$dataset")->header('ETag'),
        ]);
    }

    public function testNextMonthsFileNeedsOneConfirmation(): void
    {
        $id = self::made();
        $reading = Server::upload('ledger-2026-08.csv', self::AUGUST, $id);
        self::assertSame([$id, 'ledger-2026-07.csv'], [$reading->at('target', 'id'), $reading->at('known', 'name')]);
        $trial = Server::send('POST', '/api/readings/'.$reading->text('id').'/trials', [
            'mapping' => $reading->at('mapping'),
            'dataset' => $id,
        ]);
        self::assertSame(['added' => 4, 'replaced' => 1, 'unchanged' => 1, 'removed' => 0], $trial->at('counts'));
        self::assertSame([['breakdown' => 'Route', 'name' => 'Norht', 'like' => 'North']], $trial->at('near'));
        self::assertSame(['Norht'], $trial->at('breakdowns', 0, 'newMembers'));
        $mapping = $reading->at('mapping');
        \assert(\is_array($mapping));
        $done = Server::send(
            'POST',
            "/api/datasets/$id/imports",
            [
                'reading' => $reading->text('id'),
                'mapping' => $mapping + ['sameAs' => ['Route' => ['Norht' => 'North']]],
            ],
            ['If-Match' => '"'.$reading->int('target', 'version').'"'],
        );
        self::assertSame(201, $done->status, $done->body);
        self::assertSame(
            [2, 1, 1, 0],
            array_map(static fn (string $what): int => $done->int('import', 'counts', $what), [
                'added', 'replaced', 'unchanged', 'removed',
            ]),
        );
        self::assertSame('2026-08', $done->at('dataset', 'closing'));
        self::assertStringContainsString(
            '2026-08,AC,Amount,,North,31', Kept::csv($id), 'both rows of North are added up',
        );
    }

    public function testACommonHeaderAloneMakesNoFileOfTheSameKind(): void
    {
        $id = self::made("Month,Pier,Actual\n2026-07,East,1\n2026-07,West,2\n");
        self::assertNull(
            Server::upload('other.csv', "Month,Pier,Actual\n2026-08,Upper,1\n2026-08,Lower,2\n")->at('target'),
        );
        self::assertSame(
            $id,
            Server::upload('other.csv', "Month,Pier,Actual\n2026-08,East,1\n2026-08,West,2\n")->at('target', 'id'),
            'the same members',
        );
        self::assertSame(
            $id,
            Server::upload('Ledger Aug 2026.csv', "Month,Pier,Actual\n2026-08,Upper,1\n")->at('target', 'id'),
            'the same name',
        );
    }

    public function testTheSameFileTwiceIsKnownByItsContent(): void
    {
        $csv = self::JULY.'2026-07,Outer,'.random_int(1, 1_000_000).",1\n";
        $id = self::made($csv);
        $again = Server::upload('another name.csv', $csv);
        self::assertSame($id, $again->at('seen', 'dataset', 'id'));
        self::assertSame(
            ['added' => 0, 'replaced' => 0, 'unchanged' => 8, 'removed' => 0],
            Server::send('POST', '/api/readings/'.$again->text('id').'/trials', [
                'mapping' => $again->at('mapping'),
                'dataset' => $id,
            ])->at('counts'),
        );
    }

    public function testThreeModes(): void
    {
        $file = "Month,Route,Actual\n2026-07,Outer,7\n";
        $id = self::made();
        self::bringIn($id, $file, ['mode' => 'add']);
        self::assertStringContainsString('2026-07,AC,Amount,,North,20', Kept::csv($id));
        self::bringIn($id, "Month,Route,Actual\n2026-07,Outer,8\n", ['mode' => 'replace periods']);
        self::assertSame(
            "2026-06,AC,Amount,,North,10\n2026-06,BU,Amount,,North,11\n2026-07,AC,Amount,,Outer,8\n"
                ."2026-07,BU,Amount,,Holm,6\n2026-07,BU,Amount,,North,21\nPeriod,Scenario,Measure,Unit,Route,Amount",
            Kept::csv($id),
        );
        self::bringIn($id, $file, ['mode' => 'replace all']);
        self::assertSame("2026-07,AC,Amount,,Outer,7\nPeriod,Scenario,Measure,Unit,Route,Amount", Kept::csv($id));
    }

    public function testTakingBackSaysWhatWasOverwrittenAndLeavesTheRest(): void
    {
        $id = self::made();
        $before = Kept::csv($id);
        $august = self::bringIn($id, self::AUGUST)->int('import', 'id');
        $september = self::bringIn($id, "Month,Route,Actual,Budget\n2026-08,North,33,31\n")->int('import', 'id');
        self::assertSame(
            [
                'gone' => 2,
                'restored' => 2,
                'overwritten' => 2,
                'examples' => [
                    'North, Aug 2026, AC: now as next.csv has it', 'North, Aug 2026, BU: now as next.csv has it',
                ],
            ],
            json_decode(Server::send('GET', "/api/imports/$august/take-back")->body, true),
        );
        $asked = Server::send('POST', "/api/imports/$august/take-back", '{}', ['Content-Type' => 'application/json']);
        self::assertSame(
            [
                409,
                '2 figures of it were overwritten or removed by later imports and stay as they are. Send '
                    .'{"confirmed": true} to take the rest back.',
            ],
            [$asked->status, $asked->at('detail')],
        );
        self::assertSame(200, Server::send('POST', "/api/imports/$august/take-back", ['confirmed' => true])->status);
        self::assertStringContainsString('2026-07,AC,Amount,,North,20', Kept::csv($id));
        self::assertStringContainsString('2026-08,AC,Amount,,North,33', Kept::csv($id));
        self::assertSame(409, Server::send('GET', "/api/imports/$august/take-back")->status, 'only once');
        Server::send('POST', "/api/imports/$september/take-back", ['confirmed' => true]);
        self::assertSame($before, Kept::csv($id));
        $list = Server::send('GET', "/api/datasets/$id/imports");
        self::assertSame([3, $september], [$list->at('total'), $list->at('items', 0, 'id')]);
        self::assertNotNull($list->at('items', 0, 'takenBackAt'));
    }

    public function testADatasetWhoseOnlyImportIsTakenBackStandsEmptyAndTakesFiguresAgain(): void
    {
        $id = self::made();
        $import = Server::send('GET', "/api/datasets/$id/imports")->int('items', 0, 'id');
        Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => 'Of it',
            'recipe' => ['keenMargin' => 1, 'question' => ['by' => 'month'], 'kind' => 'variance-tiers'],
        ]);
        self::assertSame(200, Server::send('POST', "/api/imports/$import/take-back", ['confirmed' => true])->status);
        self::assertSame(200, Server::send('GET', '/api/datasets')->status);
        $empty = Server::send('GET', "/api/datasets/$id");
        self::assertSame(
            [200, 0, '', null], [$empty->status, $empty->at('facts'), $empty->at('closing'), $empty->at('firstRecipe')],
        );
        $asked = Server::send('POST', "/api/datasets/$id/drawings", [
            'recipe' => ['keenMargin' => 1, 'question' => ['by' => 'month'], 'kind' => 'variance-tiers'],
        ]);
        self::assertSame(
            [422, 'There are no figures in the dataset. Bring some in.'], [$asked->status, $asked->at('detail')],
        );
        self::assertSame(200, Server::send('POST', "/api/datasets/$id/tables", ['by' => 'Route'])->status);
        self::assertSame(
            "Period,Scenario,Measure,Unit,Route,Amount\r\n", Server::send('GET', "/api/datasets/$id/exports/csv")->body,
        );
        self::assertSame(201, self::bringIn($id, self::AUGUST)->status);
    }

    public function testWhatWasAskedOnceIsNotAskedAgain(): void
    {
        $csv = static fn (int $month): string => "Date,Pier,Fuel in k EUR\n0$month/02/2026,East ".
            __LINE__.
            ",1.234\n0$month/03/2026,West,2.345\n";
        $reading = Server::upload('fuel-2026-01.csv', $csv(1));
        self::assertSame(['decimal', 'dates', 'scale'], $reading->at('doubts'));
        $mapping = (array) $reading->at('mapping');
        $id = Server::send('POST', '/api/datasets', [
            'reading' => $reading->text('id'),
            'name' => 'Fuel',
            'mapping' => ['decimal' => ',', 'dates' => 'month first'] + $mapping,
        ])->int('id');
        $next = Server::upload('fuel-2026-02.csv', $csv(2));
        self::assertSame(
            [$id, [], ',', 'month first'],
            [
                $next->at('target', 'id'),
                $next->at('doubts'),
                $next->at('mapping', 'decimal'),
                $next->at('mapping', 'dates'),
            ],
        );
    }

    public function testEveryFigureLeadsToItsRows(): void
    {
        $id = self::made();
        self::bringIn($id, self::AUGUST);
        $ask = static fn (string $period, string $route, string $scenario = 'AC'): Answer => Server::send(
            'POST',
            "/api/datasets/$id/sources",
            ['scenario' => $scenario, 'period' => $period, 'where' => [['field' => 'Route', 'in' => [$route]]]],
        );
        $july = $ask('2026-07', 'North');
        self::assertSame(
            ['next.csv', 2, ['2026-07', 'North', '22', '21'], ['Actual']],
            [
                $july->at('files', 0, 'name'),
                $july->at('files', 0, 'rows', 0, 'row'),
                $july->at('files', 0, 'rows', 0, 'cells'),
                $july->at('files', 0, 'rows', 0, 'amounts'),
            ],
        );
        self::assertSame(
            ['ledger-2026-07.csv', 4],
            [
                $ask('2026-07', 'Holm')->at('files', 0, 'name'),
                $ask('2026-07', 'Holm')->at('files', 0, 'rows', 0, 'row'),
            ],
        );
        self::assertSame(
            [2, 3],
            [
                \count((array) $ask('2026-Q3', 'North')->at('files', 0, 'rows')),
                \count(
                    (array) Server::send('POST', "/api/datasets/$id/sources", [
                        'scenario' => 'BU',
                        'period' => '2026',
                    ])->at('files', 0, 'rows'),
                ),
            ],
        );
    }

    public function testTheTableShowsMembersAndTheirTotals(): void
    {
        $id = self::made();
        $table = Server::send('POST', "/api/datasets/$id/tables", [
            'by' => 'Route',
            'year' => '2026',
            'order' => 'largest first',
        ]);
        self::assertSame(200, $table->status, $table->body);
        self::assertSame(
            ['North', '30', '5', '35'],
            [
                $table->at('rows', 0, 'member'),
                $table->at('rows', 0, 'total'),
                $table->at('rows', 1, 'total'),
                $table->at('total', 'total'),
            ],
        );
        self::assertSame(['', '', '', '', '', '10', '20', '', '', '', '', ''], $table->at('rows', 0, 'cells'));
        self::assertSame('by', Server::send('POST', "/api/datasets/$id/tables", ['by' => 'Class'])->at('path'));
    }

    public function testAStaleSummaryIsNotConfirmed(): void
    {
        $id = self::made();
        $version = Server::send('GET', "/api/datasets/$id")->header('ETag');
        self::bringIn($id, self::AUGUST);
        $reading = Server::send('POST', '/api/readings', [
            'name' => 'late.csv',
            'text' => self::JULY,
            'dataset' => $id,
        ]);
        $late = Server::send(
            'POST', "/api/datasets/$id/imports", ['reading' => $reading->text('id')], ['If-Match' => $version],
        );
        self::assertSame([412, $id], [$late->status, $late->at('current', 'id')]);
        self::assertSame(
            428, Server::send('POST', "/api/datasets/$id/imports", ['reading' => $reading->text('id')])->status,
        );
    }

    public function testFiguresThatDoNotFitTheDatasetAreRefused(): void
    {
        $id = self::made();
        foreach (
            [
                "Month,Class,Actual\n2026-08,Cars,1\n" => 'is split by Route, and no column of the file is.',
                "Quarter,Route,Actual\nQ3 2026,North,1\n" => 'The file is by quarter',
                "Route,Actual\nNorth,1\n" => 'The file has no periods',
            ] as $csv => $says
        ) {
            $answer = self::bringIn($id, $csv);
            self::assertSame(422, $answer->status, $csv);
            self::assertStringContainsString($says, $answer->text('detail'));
        }
    }

    public function testDaysJoinAMonthlyDatasetAsMonthsAndDecimalsGrow(): void
    {
        $id = self::made();
        $done = self::bringIn($id, "Date,Route,Actual\n2026-08-03,North,1.25\n2026-08-19,North,2\n");
        self::assertSame(201, $done->status, $done->body);
        self::assertStringContainsString('2026-08,AC,Amount,,North,3.25', Kept::csv($id));
        self::assertStringContainsString('2026-07,AC,Amount,,Holm,5.00', Kept::csv($id));
    }

    public function testRefusedRowsCanBeDownloaded(): void
    {
        $reading = Server::upload('bad.csv', "Month,Actual\n2026-01,5\n2026-02,=cmd\n");
        $trial = Server::send('POST', '/api/readings/'.$reading->text('id').'/trials', [
            'mapping' => $reading->at('mapping'),
        ]);
        self::assertFalse($trial->at('accepted'));
        $list = Server::send('GET', '/api/readings/'.$reading->text('id').'/refusals');
        self::assertSame(
            "Row,Column,Reason\r\n3,Actual,\"\"\"=cmd\"\" is not a number. Mend it in the file, or leave the row "
                ."out.\"\r\n",
            $list->body,
        );
    }

    public function testCancelledWorkKeepsNothing(): void
    {
        $before = Server::kept();
        $reading = Server::upload(
            'long.csv',
            "Month,Route,Actual\n".
                implode(
                    '',
                    array_map(
                        static fn (int $i): string => \sprintf("2026-%02d,Route %d,%d\n", ($i % 12) + 1, $i % 900, $i),
                        range(1, 400_000),
                    ),
                ),
        );
        self::assertNull($reading->at('rowCount'));
        $path = '/api/readings/'.$reading->text('id');
        $work = Server::send('POST', "$path/trials", ['mapping' => $reading->at('mapping')]);
        self::assertSame(202, $work->status, 'so many rows are read by a process of their own');
        for ($i = 0; $i < 200 && 0 === Server::send('GET', "$path/progress")->int('done'); ++$i) {
            usleep(5_000);
        }
        self::assertSame(204, Server::send('DELETE', "$path/progress")->status);
        self::assertStringContainsString('It was cancelled. Nothing was kept.', Server::done($work)->text('detail'));
        self::assertSame($before, Server::kept());
    }
}
