<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\Tests\app\Answer;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\TestCase;

/** What a month waits for, on the fifth working day of September 2026, and closing it. */
final class MonthTest extends TestCase
{
    private const JULY = "Month,Route,Actual,Budget\n2026-06,North,10,9\n2026-07,North,20,19\n2026-08,North,,29\n";
    private const AUGUST = "Month,Route,Actual\n2026-08,North,30\n";

    private SourceHouse $house;

    protected function setUp(): void
    {
        $this->house = SourceHouse::open();
    }

    protected function tearDown(): void
    {
        $this->house->close();
    }

    /** @param list<array<string, mixed>> $items */
    private static function expect(int $dataset, array $items): Answer
    {
        return Server::send('PUT', "/api/datasets/$dataset/expectations", ['items' => $items]);
    }

    private static function bringIn(int $dataset, string $csv): void
    {
        $reading = Server::upload('august.csv', $csv, $dataset);
        $done = Server::send('POST', "/api/datasets/$dataset/imports", [
            'reading' => $reading->text('id'),
            'mapping' => $reading->at('mapping'),
        ], ['If-Match' => Server::send('GET', "/api/datasets/$dataset")->header('ETag')]);
        self::assertSame(201, $done->status, $done->body);
    }

    private static function headline(Answer $month): string
    {
        $parts = $month->at('headline');
        \assert(\is_array($parts));

        return implode('', array_column($parts, 'text'));
    }

    public function testItWaitsForWhatIsLateAndTellsWhatCame(): void
    {
        $this->house->in(static function (): void {
            $id = Kept::made(self::JULY);
            $none = Server::send('GET', '/api/months/last');
            self::assertSame(['2026-08', 5, 'nothing is expected'], [
                $none->text('key'), $none->int('today'), $none->text('datasets', 0, 'says'),
            ]);
            self::expect($id, [
                ['scenario' => 'AC', 'workingDay' => 3, 'whom' => 'R. Aune'], ['scenario' => 'FC', 'workingDay' => 8],
            ]);
            $late = Server::send('GET', '/api/months/last');
            self::assertSame('August waits for one file.', self::headline($late));
            self::assertSame(['late', 2, '2026-09-03'], [
                $late->text('datasets', 0, 'expected', 0, 'state'), $late->int('datasets', 0, 'expected', 0, 'late'),
                $late->text('datasets', 0, 'expected', 0, 'due'),
            ]);
            self::assertSame('actual 2 days late, R. Aune', $late->text('datasets', 0, 'says'));
            self::bringIn($id, self::AUGUST);
            $came = Server::send('GET', '/api/months/2026-08');
            self::assertSame('August waits for nothing yet; one file is expected.', self::headline($came));
            self::assertSame(['came', '2026-09-07', 5], [
                $came->text('datasets', 0, 'expected', 0, 'state'), $came->text('datasets', 0, 'expected', 0, 'came'),
                $came->int('datasets', 0, 'expected', 0, 'cameOn'),
            ]);
            $history = Server::send('GET', '/api/months/2026-08/history');
            self::assertSame([2, null], [
                $history->at('items', 0, 'months', 11, 'late'), $history->at('items', 1, 'months', 11, 'late'),
            ]);
            $not = ['dataset' => $id, 'scenario' => 'FC', 'why' => 'none this year'];
            $without = Server::send('PUT', '/api/months/2026-08/not-coming', $not);
            self::assertSame('forecast does not come: none this year', $without->text('datasets', 0, 'says'));
            self::assertSame('August has all that it waited for.', self::headline($without));
            unset($not['why']);
            $again = Server::send('PUT', '/api/months/2026-08/not-coming', $not);
            self::assertSame('expected', $again->text('datasets', 0, 'expected', 1, 'state'));
        });
    }

    public function testWhatIsTakenBackNeverCame(): void
    {
        $this->house->in(static function (): void {
            $id = Kept::made(self::JULY);
            self::expect($id, [['scenario' => 'AC', 'workingDay' => 3]]);
            self::bringIn($id, self::AUGUST);
            $import = Server::send('GET', "/api/datasets/$id/imports")->at('items', 0, 'id');
            \assert(\is_int($import));
            Server::send('POST', "/api/imports/$import/take-back", ['confirmed' => false]);
            self::assertSame('August waits for one file.', self::headline(Server::send('GET', '/api/months/last')));
        });
    }

    public function testHolidaysPutOffWhatIsDue(): void
    {
        $this->house->in(static function (): void {
            $id = Kept::made(self::JULY);
            self::expect($id, [['scenario' => 'AC', 'workingDay' => 4]]);
            $off = [
                'items' => [
                    ['day' => '2026-09-02', 'name' => 'Island <script> Day'], ['day' => '2026-09-03', 'name' => ''],
                ],
            ];
            self::assertSame(200, Server::send('PUT', '/api/holidays', $off)->status);
            $month = Server::send('GET', '/api/months/last');
            self::assertSame(['expected', '2026-09-08', 3], [
                $month->text('datasets', 0, 'expected', 0, 'state'), $month->text('datasets', 0, 'expected', 0, 'due'),
                $month->int('today'),
            ]);
            $wrong = Server::send('PUT', '/api/holidays', ['items' => [['day' => '2026-09', 'name' => 'x']]]);
            self::assertSame([422, 'items[0].day'], [$wrong->status, $wrong->text('path')]);
        });
    }

    public function testClosingMovesAllChosenBooksAtOnceAndBack(): void
    {
        $this->house->in(static function (): void {
            $ids = [Kept::made(self::JULY), Kept::made(self::JULY), Kept::made(self::JULY)];
            Kept::change('PATCH', $ids[2], '', ['closedThrough' => '2026-06']);
            $closed = Server::send('POST', '/api/months/2026-07/closings', ['datasets' => $ids], ['X-Signed' => 'Ida']);
            self::assertSame([201, 'Ida', 'July'], [$closed->status, $closed->text('who'), $closed->text('label')]);
            $month = Server::send('GET', '/api/months/2026-07');
            self::assertSame('July is closed.', self::headline($month));
            $again = Server::send('POST', '/api/months/2026-07/closings', ['datasets' => $ids]);
            self::assertSame(422, $again->status, $again->body);
            // Books that somebody moved elsewhere since stay where they are.
            Kept::change('PATCH', $ids[1], '', ['closedThrough' => '2026-08']);
            $undone = Server::send('POST', '/api/month-closings/'.$closed->int('id').'/undo');
            self::assertSame(200, $undone->status, $undone->body);
            $closings = array_map(
                static fn (int $id): mixed => Server::send('GET', "/api/datasets/$id")->at('closing'),
                $ids,
            );
            self::assertSame(['2026-07', '2026-08', '2026-06'], $closings);
            $twice = Server::send('POST', '/api/month-closings/'.$closed->int('id').'/undo');
            self::assertSame(422, $twice->status);
            $missing = Server::send('POST', '/api/months/2026-07/closings', ['datasets' => [...$ids, 9_999]]);
            self::assertSame(404, $missing->status);
        });
    }

    public function testADatasetByQuarterWaitsInTheLastMonthOfEachAlone(): void
    {
        $this->house->in(static function (): void {
            $id = Kept::made("Quarter,Route,Actual\n2026-Q1,North,10\n2026-Q2,North,20\n");
            self::expect($id, [['scenario' => 'AC', 'workingDay' => 3]]);
            $august = Server::send('GET', '/api/months/2026-08');
            self::assertSame([[], 'nothing is due this month'], [
                $august->at('datasets', 0, 'expected'), $august->text('datasets', 0, 'says'),
            ]);
            $june = Server::send('GET', '/api/months/2026-06');
            self::assertSame('came', $june->text('datasets', 0, 'expected', 0, 'state'));
            self::assertSame('2026-Q2', $august->text('datasets', 0, 'closing'));
        });
    }

    public function testAnEmptyHouseAndAMonthThatIsNoneAreSaid(): void
    {
        $this->house->in(static function (): void {
            self::assertSame('There are no figures yet.', self::headline(Server::send('GET', '/api/months/last')));
            self::assertSame(422, Server::send('GET', '/api/months/2026-13')->status);
            self::assertSame(422, self::expect(Kept::made(self::JULY), [
                ['scenario' => 'AC', 'workingDay' => 3], ['scenario' => 'AC', 'workingDay' => 4],
            ])->status);
        });
    }
}
