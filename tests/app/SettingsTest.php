<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** What a dataset is, changed over HTTP: charts follow, consequences are told before, every step can be undone. */
final class SettingsTest extends TestCase
{
    private const CSV = "Month,Route,Actual,Budget\n2026-06,North,10,11\n2026-07,North,20,21\n2026-07,Holm,5,6\n"
        ."2026-07,Outer,1,2\n";

    /** @param array<string, mixed> $question */
    private static function chart(int $dataset, array $question, string $name = 'A chart'): int
    {
        $made = Server::send('POST', '/api/charts', [
            'dataset' => $dataset,
            'name' => $name,
            'recipe' => ['keenMargin' => 1, 'question' => $question, 'kind' => 'variance-tiers'],
        ]);
        self::assertSame(201, $made->status, $made->body);

        return $made->int('id');
    }

    private static function breakdown(int $dataset): int
    {
        return Server::send('GET', "/api/datasets/$dataset")->int('breakdowns', 0, 'id');
    }

    private static function measure(int $dataset, int $at = 0): int
    {
        return Server::send('GET', "/api/datasets/$dataset")->int('measures', $at, 'id');
    }

    public function testNameOrganisationAndClosing(): void
    {
        $id = Kept::made(self::CSV);
        $named = Kept::change('PATCH', $id, '', ['name' => 'Ledger of 2026', 'organisation' => 'Brackwater Ferries']);
        self::assertSame(
            [200, 'Ledger of 2026', 'Brackwater Ferries'],
            [$named->status, $named->at('name'), $named->at('organisation')],
            $named->body,
        );
        self::assertSame('2026-06', Kept::change('PATCH', $id, '', ['closedThrough' => '2026-06'])->at('closing'));
        $undone = Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame('Books closed through Jun 2026', $undone->at('step', 'says'));
        self::assertSame('2026-07', Server::send('GET', "/api/datasets/$id")->at('closing'));
        foreach (
            [
                ['name' => ''],
                ['closedThrough' => '2026-Q1'],
                ['firstMonth' => 13],
                ['colour' => 'red'],
                ['name' => str_repeat('x', 201)],
            ] as $body
        ) {
            self::assertSame(
                422, Kept::change('PATCH', $id, '', $body)->status, json_encode($body, \JSON_THROW_ON_ERROR),
            );
        }
        self::assertSame(428, Server::send('PATCH', "/api/datasets/$id", ['name' => 'x'])->status);
        $stale = Server::send('PATCH', "/api/datasets/$id", ['name' => 'x'], ['If-Match' => '"1"']);
        self::assertSame([412, 'Ledger of 2026'], [$stale->status, $stale->at('current', 'name')]);
    }

    public function testAnotherFiscalYearTellsWhatItChanges(): void
    {
        $id = Kept::made(self::CSV);
        self::chart($id, ['by' => 'quarter', 'against' => ['BU']], 'By quarter');
        self::chart($id, ['by' => 'month'], 'By month');
        $foreseen = Kept::change('PATCH', $id, '?foresee=1', ['firstMonth' => 4]);
        self::assertTrue($foreseen->at('isHarmful'));
        self::assertSame(
            [
                'Years, half-years and quarters are counted from April: totals by year and year-to-date values come '
                    .'out otherwise.',
                'The chart will show other periods: “By quarter”.',
            ],
            $foreseen->at('follows'),
        );
        self::assertSame(1, Server::send('GET', "/api/datasets/$id")->at('firstMonth'), 'nothing was changed');
        $changed = Kept::change('PATCH', $id, '', ['firstMonth' => 4]);
        self::assertSame([4, 'FY2027'], [$changed->at('firstMonth'), $changed->at('years', 0, 'key')]);
    }

    public function testAnotherFinestGrainIsOnlyAnOffer(): void
    {
        $id = Kept::made(
            "Date,Route,Actual\n2026-05-03,North,5\n2026-05-09,North,4\n2026-06-20,North,6\n2026-07-29,North,6\n",
        );
        self::chart($id, ['by' => 'day'], 'By day');
        $foreseen = Kept::change('PATCH', $id, '?foresee=1', ['finest' => 'month']);
        self::assertSame(
            [true, ['The chart will go on showing finer periods: “By day”.']],
            [$foreseen->at('isHarmful'), $foreseen->at('follows')],
        );
        $changed = Kept::change('PATCH', $id, '', ['finest' => 'quarter']);
        self::assertSame(
            [['quarter', 'half-year', 'year'], 'quarter', 'day'],
            [$changed->at('grains'), $changed->at('finest'), $changed->at('grain')],
        );
        self::assertSame(['2026-Q2' => '15', '2026-Q3' => '6'], Kept::row($id, 'North'));
        self::assertSame(422, Kept::change('PATCH', $id, '', ['finest' => 'hour'])->status);
        self::assertSame('day', Kept::change('PATCH', $id, '', ['finest' => 'day'])->at('finest'));
    }

    public function testAQuarterlyDatasetKeepsYearsThatItsQuartersFit(): void
    {
        $id = Kept::made("Quarter,Actual\nQ1 2026,5\nQ2 2026,6\n");
        self::assertSame(422, Kept::change('PATCH', $id, '', ['firstMonth' => 2])->status);
        self::assertSame(200, Kept::change('PATCH', $id, '', ['firstMonth' => 4])->status);
    }

    public function testMeasuresAreRenamedRegroupedAndTurned(): void
    {
        $id = Kept::made(self::CSV);
        $chart = self::chart($id, ['measure' => 'Amount', 'by' => 'quarter', 'against' => ['BU']], 'Amount by quarter');
        $of = self::measure($id);
        self::assertSame(
            200,
            Kept::change('PATCH', $id, "/measures/$of", ['name' => 'Net revenue', 'unit' => 'EUR', 'decimals' => 2])
                ->status,
        );
        self::assertSame('Net revenue', Server::send('GET', "/api/charts/$chart")->at('recipe', 'question', 'measure'));
        self::assertSame('20.00', Kept::row($id, 'North')['2026-07']);
        $foreseen = Kept::change('PATCH', $id, "/measures/$of?foresee=1", [
            'grouping' => 'average',
            'better' => 'less',
        ]);
        self::assertSame(
            [
                true,
                [
                    'The chart will show other totals: “Amount by quarter”.',
                    'The chart will turn its colours: “Amount by quarter”.',
                ],
            ],
            [$foreseen->at('isHarmful'), $foreseen->at('follows')],
        );
        self::assertSame(
            'less', Kept::change('PATCH', $id, "/measures/$of", ['better' => 'less'])->at('measures', 0, 'better'),
        );
        self::assertSame(
            'less',
            Server::send('POST', "/api/datasets/$id/drawings", [
                'recipe' => ['keenMargin' => 1, 'question' => ['by' => 'month'], 'kind' => 'variance-tiers'],
            ])->at('better'),
        );
        $reading = Server::send('POST', '/api/readings', [
            'name' => 'x.csv',
            'text' => "Month,Route,Amount\n2026-08,North,5\n",
            'dataset' => $id,
        ]);
        self::assertSame(
            ['Net revenue'],
            array_column(
                (array) Server::send('POST', '/api/readings/'.$reading->text('id').'/trials', [
                    'mapping' => (array) $reading->at('mapping'),
                    'dataset' => $id,
                ])->at('measures'),
                'name',
            ),
            'files go on in the old name',
        );
        for ($i = 0; $i < 2; ++$i) {
            Server::send('POST', "/api/datasets/$id/undo");
        }
        self::assertSame(
            ['Amount', '', 0, null],
            array_map(
                static fn (string $key): mixed => Server::send('GET', "/api/datasets/$id")->at('measures', 0, $key),
                ['name', 'unit', 'decimals', 'better'],
            ),
        );
        self::assertSame('Amount', Server::send('GET', "/api/charts/$chart")->at('recipe', 'question', 'measure'));
    }

    /**
     * Scores of two stores are averaged, not added, and their gathered rows, totals and groups follow; so does undoing
     * it.
     */
    public function testAMeasureHasTwoRules(): void
    {
        $id = Kept::made(
            "Month,Route,Score\n2026-06,North,80\n2026-06,Holm,90\n2026-07,North,70\n2026-07,Holm,100\n"
                ."2026-07,Outer,100\n",
            ['measures' => ['Score' => ['grouping' => 'sum', 'overMembers' => 'sum']]],
        );
        $of = self::measure($id);
        Kept::change('PATCH', $id, '/breakdowns/'.self::breakdown($id), [
            'members' => ['North', 'Holm'],
            'group' => 'Inner',
        ]);
        $total = static fn (): array => array_map(
            static fn (int $i): mixed => Server::send('POST', "/api/datasets/$id/tables", [
                'by' => 'Route',
                'measure' => 'Score',
                'scenario' => 'AC',
            ])->at('total', 'cells', $i),
            [0, 1],
        );
        $drawn = static fn (): array => array_map(
            static fn (string $key): mixed => Server::send('POST', "/api/datasets/$id/workings.json", [
                'recipe' => [
                    'keenMargin' => 1,
                    'question' => ['by' => 'Route', 'where' => [['field' => 'Route', 'in' => ['Inner']]]],
                    'kind' => 'variance-tiers',
                ],
            ])->at('total', $key),
            ['shown'],
        );
        self::assertSame([['170', '270'], ['340']], [$total(), $drawn()]);
        $foreseen = Kept::change('PATCH', $id, "/measures/$of?foresee=1", ['overMembers' => 'average']);
        self::assertSame(200, $foreseen->status, $foreseen->body);
        $changed = Kept::change('PATCH', $id, "/measures/$of", ['grouping' => 'average', 'overMembers' => 'average']);
        self::assertSame(
            ['average', 'average'],
            [$changed->at('measures', 0, 'grouping'), $changed->at('measures', 0, 'overMembers')],
            $changed->body,
        );
        self::assertSame([['85', '90'], ['85']], [$total(), $drawn()]);
        Kept::set($id, 'Outer', '2026-06', '40', ['measure' => 'Score']);
        self::assertSame(['70', '90'], $total());
        Server::send('POST', "/api/datasets/$id/undo");
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame([['170', '270'], ['340']], [$total(), $drawn()]);
        Server::send('POST', "/api/datasets/$id/redo");
        self::assertSame(['85', '90'], $total());
        self::assertSame(422, Kept::change('PATCH', $id, "/measures/$of", ['overMembers' => 'twice'])->status);
    }

    /** What was added up when it came in cannot be averaged any more: that is said beforehand. */
    public function testAmountsThatAreSumsOfRowsAreToldApart(): void
    {
        $id = Kept::made("Month,Route,Score\n2026-06,North,80\n2026-06,North,90\n", [
            'measures' => ['Score' => ['grouping' => 'sum', 'overMembers' => 'sum']],
        ]);
        $foreseen = Kept::change('PATCH', $id, '/measures/'.self::measure($id).'?foresee=1', [
            'overMembers' => 'average',
        ]);
        self::assertSame(
            [
                'Rows that shared a key were added up when they came in. Bring the file in again, so that each of '
                    .'them counts once.',
            ],
            $foreseen->at('follows'),
        );
    }

    /** With days the books are closed by months, and a day can be given. */
    public function testBooksOfDailyFiguresCloseByMonthsOrByADay(): void
    {
        $id = Kept::made("Day,Actual\n2026-06-05,5\n2026-07-06,6\n2026-08-03,7\n");
        $state = static fn (): Answer => Server::send('GET', "/api/datasets/$id");
        self::assertSame(
            ['2026-08-03', '2026-07', '2026-08'],
            [$state()->at('closing'), $state()->at('closingStep', 'back'), $state()->at('closingStep', 'on')],
        );
        foreach (
            [
                '2026-07' => '2026-07',
                'June 2026' => '2026-06',
                '2026-07-15' => '2026-07-15',
                '15 Jul 2026' => '2026-07-15',
            ] as $typed => $key
        ) {
            $changed = Kept::change('PATCH', $id, '', ['closedThrough' => $typed]);
            self::assertSame([200, $key], [$changed->status, $changed->at('closing')], "$typed: $changed->body");
        }
        self::assertSame(
            ['2026-06', '2026-07'], [$state()->at('closingStep', 'back'), $state()->at('closingStep', 'on')],
        );
        self::assertSame(422, Kept::change('PATCH', $id, '', ['closedThrough' => 'soon'])->status);
    }

    public function testDecimalsThatAreNeededStay(): void
    {
        $id = Kept::made("Month,Actual\n2026-06,10.25\n");
        $of = self::measure($id);
        self::assertSame(422, Kept::change('PATCH', $id, "/measures/$of", ['decimals' => 1])->status);
        self::assertSame(200, Kept::change('PATCH', $id, "/measures/$of", ['decimals' => 4])->status);
        self::assertSame(200, Kept::change('PATCH', $id, "/measures/$of", ['decimals' => 2])->status);
        self::assertStringContainsString(',10.25', Kept::csv($id));
    }

    public function testARatioOfTwoMeasures(): void
    {
        $id = Kept::made("Month,On time,Sailings\n2026-06,90,100\n2026-07,10,50\n");
        $made = Kept::change('POST', $id, '/measures', [
            'name' => 'Punctuality',
            'numerator' => 'On time',
            'denominator' => 'Sailings',
            'better' => 'more',
        ]);
        self::assertSame(
            [200, 'ratio', true],
            [$made->status, $made->at('measures', 2, 'grouping'), $made->at('measures', 2, 'inPoints')],
            $made->body,
        );
        self::assertSame(
            '66.7',
            Server::send('POST', "/api/datasets/$id/tables", ['measure' => 'Punctuality'])->at('total', 'total'),
        );
        self::assertSame(
            422,
            Kept::change('POST', $id, '/measures', [
                'name' => 'Punctuality',
                'numerator' => 'On time',
                'denominator' => 'Sailings',
            ])->status,
        );
        self::assertSame(
            422,
            Kept::change('POST', $id, '/measures', [
                'name' => 'x',
                'numerator' => 'Punctuality',
                'denominator' => 'Sailings',
            ])->status,
            'no ratio of a ratio',
        );
        self::assertSame(
            422,
            Kept::change('PATCH', $id, '/measures/'.self::measure($id, 2), ['grouping' => 'sum'])->status,
            'it has no amounts of its own',
        );
        $renamed = Kept::change('PATCH', $id, '/measures/'.self::measure($id), ['name' => 'Punctual']);
        self::assertSame('Punctual', $renamed->at('measures', 2, 'numerator'));
        Server::send('POST', "/api/datasets/$id/undo");
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertCount(2, (array) Server::send('GET', "/api/datasets/$id")->at('measures'));
    }

    public function testMembersAreOrderedGroupedAndGivenRoles(): void
    {
        $id = Kept::made(self::CSV);
        $of = self::breakdown($id);
        Kept::change('PATCH', $id, "/breakdowns/$of", ['move' => 'Outer', 'before' => 'North']);
        self::assertSame(['Outer', 'North', 'Holm'], Kept::members($id));
        Kept::change('PATCH', $id, "/breakdowns/$of", ['members' => ['North', 'Outer'], 'group' => 'Long']);
        self::assertSame(['Long', 'Outer', 'North', 'Holm'], Kept::members($id));
        self::assertSame(['2026-06' => '10', '2026-07' => '21'], Kept::row($id, 'Long'));
        $folded = Server::send('POST', "/api/datasets/$id/tables", ['by' => 'Route', 'folded' => ['Long']]);
        self::assertSame(
            [2, ['Long', 'Holm'], '26'],
            [
                $folded->at('count'),
                array_column((array) $folded->at('rows'), 'member'),
                $folded->at('total', 'cells', 1),
            ],
            $folded->body,
        );
        $roles = Kept::change('PATCH', $id, "/breakdowns/$of", ['members' => ['Holm'], 'role' => 'takes away']);
        self::assertSame(['Holm' => 'takes away'], $roles->at('breakdowns', 0, 'roles'));
        self::assertSame(
            422,
            Kept::change('PATCH', $id, "/breakdowns/$of", ['members' => ['Long'], 'group' => 'North'])->status,
            'no group within itself, and none with amounts',
        );
        $where = [['field' => 'Route', 'in' => ['Long']]];
        $drawn = Server::send('POST', "/api/datasets/$id/drawings", [
            'recipe' => [
                'keenMargin' => 1,
                'question' => ['where' => $where, 'by' => 'month'],
                'kind' => 'variance-tiers',
            ],
        ]);
        self::assertSame('21', $drawn->at('workings', 'rows', 1, 'cells', 'AC'), 'a whole group in the question');
        for ($i = 0; $i < 3; ++$i) {
            Server::send('POST', "/api/datasets/$id/undo");
        }
        self::assertSame(['North', 'Holm', 'Outer'], Kept::members($id));
        foreach (
            [
                ['rename' => 'Holm', 'to' => 'North'],
                ['rename' => 'Isle', 'to' => 'x'],
                ['add' => 'Holm'],
                ['remove' => 'Holm'],
                ['separate' => 'Holm'],
                ['merge' => 'Holm', 'into' => 'Holm'],
                ['members' => []],
                ['move' => 'Holm', 'before' => 'nowhere'],
            ] as $body
        ) {
            self::assertSame(
                422,
                Kept::change('PATCH', $id, "/breakdowns/$of", $body)->status,
                json_encode($body, \JSON_THROW_ON_ERROR),
            );
        }
    }

    public function testAMemberIsAddedAndRemoved(): void
    {
        $id = Kept::made(self::CSV);
        $of = self::breakdown($id);
        Kept::change('PATCH', $id, "/breakdowns/$of", ['add' => 'Skerry']);
        self::assertSame(['2026-06' => '', '2026-07' => ''], Kept::row($id, 'Skerry'));
        self::assertSame(200, Kept::set($id, 'Skerry', '2026-07', '4')->status);
        self::assertSame(
            422, Kept::change('PATCH', $id, "/breakdowns/$of", ['remove' => 'Skerry'])->status, 'it has an amount',
        );
        Kept::set($id, 'Skerry', '2026-07', '');
        self::assertSame(200, Kept::change('PATCH', $id, "/breakdowns/$of", ['remove' => 'Skerry'])->status);
        self::assertSame(['North', 'Holm', 'Outer'], Kept::members($id));
    }

    public function testTwoMembersBecomeOneAndTwoAgain(): void
    {
        $id = Kept::made(self::CSV);
        $of = self::breakdown($id);
        $before = Kept::bytes($id);
        $chart = self::chart($id, ['where' => [['field' => 'Route', 'in' => ['Holm']]], 'by' => 'month'], 'Holm alone');
        $foreseen = Kept::change('PATCH', $id, "/breakdowns/$of?foresee=1", ['merge' => 'Holm', 'into' => 'North']);
        self::assertSame(
            [
                true,
                [
                    '2 amounts of Holm count as North from now on, also in files to come.',
                    '1 chart or report that names it shows North instead.',
                ],
            ],
            [$foreseen->at('isHarmful'), $foreseen->at('follows')],
        );
        $merged = Kept::change('PATCH', $id, "/breakdowns/$of", ['merge' => 'Holm', 'into' => 'North']);
        self::assertSame(
            [['North', 'Outer'], [['name' => 'Holm', 'into' => 'North']]],
            [$merged->at('breakdowns', 0, 'members'), $merged->at('breakdowns', 0, 'merged')],
        );
        self::assertSame(
            ['North'], Server::send('GET', "/api/charts/$chart")->at('recipe', 'question', 'where', 0, 'in'),
        );
        self::assertStringNotContainsString('Holm', Kept::bytes($id));
        $reading = Server::send('POST', '/api/readings', [
            'name' => 'x.csv',
            'text' => "Month,Route,Actual,Budget\n2026-08,Holm,9,8\n",
            'dataset' => $id,
        ]);
        $in = Kept::change('POST', $id, '/imports', ['reading' => $reading->text('id')]);
        self::assertSame(201, $in->status, $in->body);
        self::assertSame('9', Kept::row($id, 'North')['2026-08'], 'files to come count as well');
        self::assertSame(
            200,
            Server::send('POST', '/api/imports/'.$in->int('import', 'id').'/take-back', ['confirmed' => true])->status,
        );
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame($before, Kept::bytes($id), 'the same bytes');
        self::assertSame(
            ['Holm'], Server::send('GET', "/api/charts/$chart")->at('recipe', 'question', 'where', 0, 'in'),
        );
        Server::send('POST', "/api/datasets/$id/redo");
        Kept::change('PATCH', $id, "/breakdowns/$of", ['separate' => 'Holm']);
        self::assertSame($before, Kept::bytes($id));
    }

    public function testRenamedMembersAndBreakdownsAnswerToTheirOldNames(): void
    {
        $id = Kept::made(self::CSV);
        $of = self::breakdown($id);
        $chart = self::chart(
            $id, ['where' => [['field' => 'Route', 'notIn' => ['Holm']]], 'by' => 'month'], 'All but Holm',
        );
        Kept::change('PATCH', $id, "/breakdowns/$of", ['rename' => 'Holm', 'to' => '<script>alert(1)</script>']);
        Kept::change('PATCH', $id, "/breakdowns/$of", ['name' => 'Crossing']);
        self::assertSame(
            ['field' => 'Crossing', 'notIn' => ['<script>alert(1)</script>']],
            Server::send('GET', "/api/charts/$chart")->at('recipe', 'question', 'where', 0),
        );
        $reading = Server::send('POST', '/api/readings', [
            'name' => 'x.csv',
            'text' => "Month,Route,Actual,Budget\n2026-08,Holm,9,8\n",
            'dataset' => $id,
        ]);
        self::assertSame(201, Kept::change('POST', $id, '/imports', ['reading' => $reading->text('id')])->status);
        self::assertSame('9', Kept::row($id, '<script>alert(1)</script>', by: 'Crossing')['2026-08']);
    }

    public function testADatasetIsDuplicatedDeletedAndBroughtBack(): void
    {
        $id = Kept::made(self::CSV);
        $of = self::breakdown($id);
        Kept::change('PATCH', $id, "/breakdowns/$of", ['members' => ['North', 'Holm'], 'group' => 'Both']);
        Kept::change('PATCH', $id, "/breakdowns/$of", ['merge' => 'Outer', 'into' => 'Holm']);
        $chart = self::chart($id, ['by' => 'month'], 'Of the deleted');
        $copy = Server::send('POST', "/api/datasets/$id/copies", []);
        self::assertSame(201, $copy->status, $copy->body);
        self::assertSame(Server::send('GET', "/api/datasets/$id")->text('name').' (copy)', $copy->at('name'));
        self::assertSame(
            [Kept::csv($id), Kept::members($id)], [Kept::csv($copy->int('id')), Kept::members($copy->int('id'))],
        );
        Kept::set($copy->int('id'), 'North', '2026-07', '99');
        self::assertSame('20', Kept::row($id, 'North')['2026-07'], 'each for itself');

        $foreseen = Server::send('DELETE', "/api/datasets/$id?foresee=1");
        self::assertSame(
            [true, 'The chart will go with it: “Of the deleted”.'],
            [$foreseen->at('isHarmful'), $foreseen->at('follows', 1)],
        );
        $version = Server::send('GET', "/api/datasets/$id")->header('ETag');
        self::assertSame(204, Server::send('DELETE', "/api/datasets/$id", null, ['If-Match' => $version])->status);
        self::assertSame(
            [404, 404],
            [Server::send('GET', "/api/datasets/$id")->status, Server::send('GET', "/api/charts/$chart")->status],
        );
        self::assertNotContains($id, array_column((array) Server::send('GET', '/api/datasets')->at('items'), 'id'));
        self::assertContains(
            $id, array_column((array) Server::send('GET', '/api/datasets?deleted=1')->at('items'), 'id'),
        );
        self::assertSame(200, Server::send('POST', "/api/datasets/$id/restoration", [])->status);
        self::assertSame(
            [200, 200],
            [Server::send('GET', "/api/datasets/$id")->status, Server::send('GET', "/api/charts/$chart")->status],
        );
    }
}
