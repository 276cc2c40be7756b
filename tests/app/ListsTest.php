<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Plain lists over HTTP: names and amounts, values with targets and bands, contributions with a goal. */
final class ListsTest extends TestCase
{
    private static function read(string $text): Answer
    {
        $reading = Server::send('POST', '/api/readings', ['name' => 'Pasted table', 'text' => $text]);
        self::assertSame(201, $reading->status, $reading->body);

        return $reading;
    }

    /** @param array<string, mixed> $more */
    private static function trial(Answer $reading, array $more = []): Answer
    {
        $mapping = $reading->at('mapping');
        \assert(\is_array($mapping));

        return Server::send('POST', '/api/readings/'.$reading->text('id').'/trials', ['mapping' => $more + $mapping]);
    }

    /** @param array<string, mixed> $more */
    private static function kept(Answer $reading, array $more = []): int
    {
        $mapping = $reading->at('mapping');
        \assert(\is_array($mapping));
        $made = Server::send('POST', '/api/datasets', [
            'reading' => $reading->text('id'),
            'name' => 'List '.bin2hex(random_bytes(3)),
            'mapping' => $more + $mapping,
        ]);
        self::assertSame(201, $made->status, $made->body);

        return $made->int('id');
    }

    /** @return list<string> what stands in a measure's table, first column */
    private static function column(int $id, string $measure, string $by, string $scenario = 'AC'): array
    {
        $table = Server::send('POST', "/api/datasets/$id/tables", [
            'measure' => $measure,
            'by' => $by,
            'scenario' => $scenario,
        ]);
        self::assertSame(200, $table->status, $table->body);
        $cells = [];
        foreach (array_keys((array) $table->at('rows')) as $i) {
            $cells[] = $table->text('rows', $i, 'cells', 0);
        }

        return $cells;
    }

    public function testNamesAndSignedAmounts(): void
    {
        $id = self::kept(self::read("Step\tAmount\nOpening balance\t120.50\nFares\t+40\nFuel\t(70)\nEnd\t90.5\n"));
        $dataset = Server::send('GET', "/api/datasets/$id");
        self::assertSame(
            [true, ['AC'], 'none'], [$dataset->at('isList'), $dataset->at('scenarios'), $dataset->at('grain')],
        );
        self::assertSame(['120.50', '40.00', '−70.00'], \array_slice(self::column($id, 'Amount', 'Step'), 0, 3));
        $drawing = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => $dataset->at('firstRecipe')]);
        self::assertSame(
            [200, 'How did amount of all steps get from start to end, by step? More is better; flag gaps over 5 %.'],
            [$drawing->status, implode('', array_column((array) $drawing->at('sentence'), 'text'))],
        );
        self::assertSame(
            ['Opening balance', '121'],
            [$drawing->at('workings', 'rows', 0, 'label'), $drawing->at('workings', 'rows', 0, 'cells', 'amount')],
        );
    }

    /** @param list<string> $fair */
    #[TestWith(['limits', ['75', '75']])]
    #[TestWith(['increments', ['135', '135']])]
    #[TestWith(['percent of target', ['60.00', '63.75']])]
    public function testValuesWithTargetsAndBands(string $meaning, array $fair): void
    {
        $route = 'Route '.bin2hex(random_bytes(3));
        $reading = self::read(
            "$route\tValue\tTarget\tPoor\tFair\tGood\nNorth\t72\t80\t60\t75\t100\nHolm\t81\t85\t60\t75\t100\n",
        );
        self::assertSame(['periods', 'bands'], $reading->at('doubts'));
        $trial = self::trial($reading, ['bands' => $meaning]);
        self::assertSame(
            [true, ['limits', 'increments', 'percent of target'], 'North: 60, 75, 100; Holm: 60, 75, 100'],
            [
                $trial->at('accepted'),
                array_column((array) $trial->at('bands'), 'meaning'),
                $trial->at('bands', 0, 'says'),
            ],
        );
        $id = self::kept($reading, ['bands' => $meaning]);
        self::assertSame(
            [null, 0, 1, 2], array_column((array) Server::send('GET', "/api/datasets/$id")->at('measures'), 'band'),
        );
        self::assertSame(
            [$fair, ['80', '85']], [self::column($id, 'Fair', $route), self::column($id, 'Amount', $route, 'TG')],
        );
        $sources = Server::send('POST', "/api/datasets/$id/sources", [
            'measure' => 'Fair',
            'scenario' => 'AC',
            'where' => [['field' => $route, 'in' => ['Holm']]],
        ]);
        self::assertSame(
            [3, ['Fair']],
            [$sources->at('files', 0, 'rows', 0, 'row'), $sources->at('files', 0, 'rows', 0, 'amounts')],
            'back to what stood in the file',
        );
    }

    public function testBandsThatDoNotRiseAreRefusedWithTheirRowAndNothingIsKept(): void
    {
        $before = Server::send('GET', '/api/datasets')->at('total');
        $reading = self::read("Route\tValue\tTarget\tBand 1\tBand 2\nNorth\t72\t80\t60\t75\nHolm\t81\t85\t75\t60\n");
        $trial = self::trial($reading, ['bands' => 'limits']);
        self::assertSame(
            [
                false,
                3,
                'Row 3: the limits of its bands do not rise: 75 and 60. Say that they are increments, or mend them.',
            ],
            [$trial->at('accepted'), $trial->at('refusals', 0, 'row'), $trial->at('says')],
        );
        self::assertTrue(self::trial($reading, ['bands' => 'increments'])->at('accepted'));
        self::assertTrue(self::trial($reading, ['bands' => 'limits', 'leaveOut' => [3]])->at('accepted'));
        $refused = Server::send('POST', '/api/datasets', [
            'reading' => $reading->text('id'),
            'name' => 'x',
            'mapping' => ['bands' => 'limits'] + (array) $reading->at('mapping'),
        ]);
        self::assertSame([422, $before], [$refused->status, Server::send('GET', '/api/datasets')->at('total')]);
        self::assertSame(422, self::trial($reading, ['bands' => 'widths'])->status);
    }

    public function testTheNextListOfTheSameKindIsReadTheSameWay(): void
    {
        $head = 'Pier '.bin2hex(random_bytes(3))."\tValue\tTarget\tLow\tHigh\n";
        self::kept(self::read($head."East\t5\t8\t75\t90\n"), ['bands' => 'percent of target']);
        $next = self::read($head."East\t6\t10\t75\t90\n");
        self::assertSame(['percent of target', []], [$next->at('mapping', 'bands'), $next->at('doubts')]);
    }

    public function testContributionsWithAGoal(): void
    {
        $id = self::kept(self::read(
            "Date\tContribution\tGoal\n2026-01-05\t300\t2000\n2026-02-07\t450\t2000\n2026-03-01\t500\t2000\n",
        ));
        $total = static fn (string $measure): mixed => Server::send('POST', "/api/datasets/$id/tables", [
            'measure' => $measure,
        ])->at('total', 'total');
        self::assertSame(['1,250', '2,000'], [$total('Contribution'), $total('Goal')]);
    }

    public function testAListIsChangedByHandAndItsBandsAreToo(): void
    {
        $id = self::kept(self::read("Route\tValue\tTarget\tPoor\tFair\nNorth\t72\t80\t60\t75\n"), [
            'bands' => 'limits',
        ]);
        $set = Server::send('POST', "/api/datasets/$id/edits", [
            'measure' => 'Fair',
            'by' => 'Route',
            'rows' => ['North', 'Holm'],
            'periods' => [['scenario' => 'AC']],
            'amounts' => [['78'], ['79']],
            'was' => [['75'], ['']],
            'newRows' => true,
        ]);
        self::assertSame([200, 2], [$set->status, $set->at('changed')], $set->body);
        self::assertSame(['78', '79'], self::column($id, 'Fair', 'Route'));
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame(['75'], self::column($id, 'Fair', 'Route'));
    }
}
