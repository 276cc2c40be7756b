<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/**
 * Several people change one dataset at the same moment: nothing is lost, nothing is there twice, nobody is told of a
 * fault.
 */
final class CollisionTest extends TestCase
{
    private const CSV = "Month,Route,Actual,Budget\n2026-05,North,10,11\n2026-06,North,20,21\n2026-07,North,30,31\n"
        ."2026-07,Holm,5,6\n";

    public function testTwoAddARowOfOneName(): void
    {
        foreach (range(1, 8) as $round) {
            $id = Kept::made(self::CSV);
            $answers = Server::sendTogether([
                self::edit($id, 'Skerry', '2026-06', '101', 'Ada'),
                self::edit($id, 'Skerry', '2026-07', '89', 'Bo'),
                self::edit($id, 'Outer', '2026-07', '1', 'Cy'),
            ]);
            self::assertSame([200, 200, 200], self::statuses($answers));
            self::assertSame(['Holm', 'North', 'Outer', 'Skerry'], self::sorted(Kept::members($id)), "round $round");
            self::assertSame(
                ['2026-06' => '101', '2026-07' => '89'],
                array_filter(Kept::row($id, 'Skerry'), static fn (string $cell): bool => '' !== $cell),
            );
        }
    }

    public function testAnImportBesideAnEditThatAddsDecimalsOrARow(): void
    {
        foreach (range(1, 8) as $round) {
            $id = Kept::made(self::CSV);
            $reading = Server::upload(
                'august.csv', "Month,Route,Actual,Budget\n2026-08,North,40,41\n2026-08,New $round,7,8\n", $id,
            )->text('id');
            $version = Server::send('GET', "/api/datasets/$id")->header('ETag');
            $answers = Server::sendTogether([
                ['POST', "/api/datasets/$id/imports", ['reading' => $reading], ['If-Match' => $version]],
                self::edit($id, 'North', '2026-06', '20.125', 'Ada'),
                self::edit($id, 'Skerry', '2026-07', '3', 'Bo'),
            ]);
            self::assertSame([201, 200, 200], self::statuses($answers), "round $round: ".$answers[0]->body);
            self::assertSame(
                ['20.125', '40.000'],
                array_values(array_intersect_key(Kept::row($id, 'North'), ['2026-06' => 1, '2026-08' => 1])),
            );
            self::assertSame(['Holm', "New $round", 'North', 'Skerry'], self::sorted(Kept::members($id)));
        }
    }

    /** What is counted is counted from what is there when the turn has come. */
    public function testAnEditBesideAReplacementKeepsNoMonthWithoutAmounts(): void
    {
        foreach (range(1, 10) as $round) {
            $id = Kept::made(self::CSV);
            $reading = Server::upload('all.csv', "Month,Route,Actual,Budget\n2026-05,North,10,11\n", $id)->text('id');
            $version = Server::send('GET', "/api/datasets/$id")->header('ETag');
            $answers = Server::sendTogether([
                [
                    'POST',
                    "/api/datasets/$id/imports",
                    ['reading' => $reading, 'mode' => 'replace all'],
                    ['If-Match' => $version],
                ],
                self::edit($id, 'North', '2026-05', (string) (100 + $round), 'Ada'),
                self::edit($id, 'North', '2026-05', (string) (200 + $round), 'Bo'),
            ]);
            self::assertSame(201, $answers[0]->status, $answers[0]->body);
            $dataset = Server::send('GET', "/api/datasets/$id");
            self::assertSame(['2026-05', 2], [$dataset->text('closing'), $dataset->int('facts')], "round $round");
        }
    }

    public function testOfTwoWritesOnOneVersionOneIsTold(): void
    {
        $id = Kept::made(self::CSV);
        $recipe = ['keenMargin' => 1, 'question' => ['against' => ['BU']], 'kind' => 'variance-tiers'];
        foreach (range(1, 10) as $round) {
            $note = Server::send('POST', "/api/datasets/$id/notes", [
                'recipe' => $recipe,
                'row' => '2026-07',
                'text' => 'First',
            ]);
            $chart = Server::send('POST', '/api/charts', [
                'dataset' => $id,
                'name' => "Chart $round",
                'recipe' => $recipe,
            ]);
            $finish = Server::send('POST', '/api/finishes', ['name' => "Finish $id.$round", 'finish' => (object) []]);
            foreach (
                [
                    ['notes', $note, ['text' => 'A'], ['text' => 'B']],
                    ['charts', $chart, ['name' => 'A', 'recipe' => $recipe], ['name' => 'B', 'recipe' => $recipe]],
                    ['finishes', $finish, ['name' => "A $id.$round"], ['name' => "B $id.$round"]],
                ] as [$what, $made, $one, $other]
            ) {
                $path = "/api/$what/{$made->int('id')}";
                $version = ['If-Match' => $made->header('ETag')];
                self::assertSame(201, $made->status, $made->body);
                $answers = Server::sendTogether([['PUT', $path, $one, $version], ['PUT', $path, $other, $version]]);
                self::assertSame([200, 412], self::sorted(self::statuses($answers)), "$what in round $round");
                $both = Server::sendTogether([
                    ['DELETE', $path, null, ['If-Match' => '"2"']], ['DELETE', $path, null, ['If-Match' => '"2"']],
                ]);
                self::assertSame([204, 404], self::sorted(self::statuses($both)), "$what in round $round");
            }
        }
    }

    public function testOneNameIsTakenOnce(): void
    {
        $id = Kept::made(self::CSV);
        $breakdown = Server::send('GET', "/api/datasets/$id")->int('breakdowns', 0, 'id');
        foreach (range(1, 8) as $round) {
            $version = ['If-Match' => Server::send('GET', "/api/datasets/$id")->header('ETag')];
            $finish = ['POST', '/api/finishes', ['name' => "Once $id.$round", 'finish' => (object) []], []];
            $member = ['PATCH', "/api/datasets/$id/breakdowns/$breakdown", ['add' => "Isle $round"], $version];
            self::assertSame([201, 422], self::sorted(self::statuses(Server::sendTogether([$finish, $finish]))));
            self::assertSame(
                [200, 412], self::sorted(self::statuses(Server::sendTogether([$member, $member]))), "round $round",
            );
        }
    }

    public function testAnImportIsTakenBackOnce(): void
    {
        foreach (range(1, 6) as $round) {
            $id = Kept::made(self::CSV);
            $import = Server::send('GET', "/api/datasets/$id/imports")->int('items', 0, 'id');
            $back = ['POST', "/api/imports/$import/take-back", ['confirmed' => false], []];
            self::assertSame(
                [200, 409], self::sorted(self::statuses(Server::sendTogether([$back, $back]))), "round $round",
            );
        }
    }

    public function testADatasetIsDeletedBesideAnEdit(): void
    {
        foreach (range(1, 6) as $round) {
            $id = Kept::made(self::CSV);
            $version = ['If-Match' => Server::send('GET', "/api/datasets/$id")->header('ETag')];
            $answers = self::statuses(
                Server::sendTogether([
                    ['DELETE', "/api/datasets/$id", null, $version],
                    self::edit($id, 'North', '2026-06', '1', ''),
                    ['POST', "/api/datasets/$id/restoration", [], []],
                ]),
            );
            self::assertContains($answers[0], [204, 412], "round $round");
            self::assertContains($answers[1], [200, 404], "round $round");
            self::assertSame(200, $answers[2]);
        }
    }

    /**
     * Two people in turn have an import each; it is taken back whole, also where they changed the same amount in turn.
     */
    public function testTwoHandsInTurnHaveAnImportEach(): void
    {
        $id = Kept::made(self::CSV);
        $before = Kept::bytes($id);
        foreach (range(1, 6) as $round) {
            Kept::set($id, 'North', '2026-05', (string) $round, who: 'Ada');
            Kept::set($id, 'Holm', '2026-07', (string) (10 * $round), who: 'Bo');
            Kept::set($id, 'North', '2026-06', (string) (100 * $round), who: $round % 2 > 0 ? 'Ada' : 'Bo');
        }
        $imports = Server::send('GET', "/api/datasets/$id/imports");
        self::assertSame(
            [3, 'Bo', 'Ada'],
            [$imports->int('total'), $imports->text('items', 0, 'who'), $imports->text('items', 1, 'who')],
            $imports->body,
        );
        [$bo, $ada] = [$imports->int('items', 0, 'id'), $imports->int('items', 1, 'id')];
        $would = Server::send('GET', "/api/imports/$ada/take-back");
        self::assertSame(200, $would->status, $would->body);
        self::assertSame(200, Server::send('POST', "/api/imports/$ada/take-back", ['confirmed' => true])->status);
        self::assertSame(
            ['10', '600', '30'],
            [
                Kept::row($id, 'North')['2026-05'],
                Kept::row($id, 'North')['2026-06'],
                Kept::row($id, 'North')['2026-07'],
            ],
            'what Bo did stays',
        );
        self::assertSame(200, Server::send('POST', "/api/imports/$bo/take-back", ['confirmed' => true])->status);
        self::assertSame($before, Kept::bytes($id), 'in any order nothing of either is left');
    }

    public function testHandsInTurnAreUndoneStepByStep(): void
    {
        foreach ([3, 5, 8] as $seed) {
            mt_srand($seed);
            $id = Kept::made(self::CSV);
            $states = [Kept::bytes($id)];
            foreach (range(1, 12) as $step) {
                Kept::set(
                    $id,
                    'North',
                    '2026-0'.mt_rand(5, 6),
                    0 === mt_rand(0, 3) ? '' : "$step",
                    who: ['Ada', 'Bo'][mt_rand(0, 1)],
                );
                end($states) === Kept::bytes($id) || ($states[] = Kept::bytes($id));
            }
            array_pop($states);
            while ([] !== $states) {
                Server::send('POST', "/api/datasets/$id/undo");
                self::assertSame(array_pop($states), Kept::bytes($id), "seed $seed");
            }
        }
    }

    /** Ids grow by what is added. */
    public function testCopiesOfCopiesKeepIdsSmall(): void
    {
        $id = Kept::made(self::CSV);
        $bytes = Kept::bytes($id);
        $database = new \PDO('sqlite:'.Server::file());
        $highest = static fn (string $table): int => (int) (
            $database->query("SELECT MAX(id) FROM $table") ?: throw new \LogicException()
        )->fetchColumn();
        $before = array_map($highest, ['member', 'measure', 'breakdown', 'series']);
        $copy = $id;
        foreach (range(1, 20) as $round) {
            $copy = Server::send('POST', "/api/datasets/$copy/copies")->int('id');
        }
        self::assertSame($bytes, Kept::bytes($copy));
        self::assertSame(
            [40, 20, 20, 80],
            array_map(
                static fn (int $now, int $was): int => $now - $was,
                array_map($highest, ['member', 'measure', 'breakdown', 'series']),
                $before,
            ),
        );
        self::assertSame(
            200,
            Kept::change(
                'PATCH',
                $copy,
                '/measures/'.Server::send('GET', "/api/datasets/$copy")->int('measures', 0, 'id'),
                ['unit' => 'EUR'],
            )->status,
        );
    }

    /** A row that came with a step goes with it, unless an import found its figures and would bring them back. */
    public function testARowThatIsUndoneLeavesNothingThatIsLost(): void
    {
        $id = Kept::made(self::CSV);
        $bytes = Kept::bytes($id);
        Kept::set($id, 'Skerry', '2026-06', '7', ['newRows' => true]);
        Server::send('POST', "/api/datasets/$id/undo");
        $copy = Server::send('POST', "/api/datasets/$id/copies");
        self::assertSame(201, $copy->status, $copy->body);
        self::assertSame($bytes, Kept::bytes($copy->int('id')));
        Server::send('POST', "/api/datasets/$id/redo");
        self::assertSame('7', Kept::row($id, 'Skerry')['2026-06']);

        $reading = Server::upload('skerry.csv', "Month,Route,Actual\n2026-05,Skerry,55\n", $id)->text('id');
        self::assertSame(201, Kept::change('POST', $id, '/imports', ['reading' => $reading])->status);
        $reading = Server::upload('all.csv', "Month,Route,Actual,Budget\n2026-05,North,10,11\n", $id)->text('id');
        $all = Kept::change('POST', $id, '/imports', ['reading' => $reading, 'mode' => 'replace all']);
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame(
            200,
            Server::send('POST', "/api/imports/{$all->int('import', 'id')}/take-back", ['confirmed' => true])->status,
        );
        self::assertSame('55', Kept::row($id, 'Skerry')['2026-05']);
    }

    /** A merged member's name is still its own. */
    public function testANameThatWasMergedIsNotGivenAnew(): void
    {
        $id = Kept::made(self::CSV);
        $path = '/breakdowns/'.Server::send('GET', "/api/datasets/$id")->int('breakdowns', 0, 'id');
        self::assertSame(200, Kept::change('PATCH', $id, $path, ['merge' => 'Holm', 'into' => 'North'])->status);
        foreach (
            [
                Kept::set($id, 'Holm', '2026-07', '9', ['newRows' => true]),
                Kept::change('PATCH', $id, $path, ['rename' => 'North', 'to' => 'Holm']),
                Kept::change('PATCH', $id, $path, ['members' => ['North'], 'group' => 'Holm']),
            ] as $answer
        ) {
            self::assertSame(422, $answer->status, $answer->body);
            self::assertStringContainsString('North', $answer->text('detail'));
        }
    }

    /** @return array{string, string, array<string, mixed>, array<string, string>} */
    private static function edit(int $id, string $row, string $period, string $amount, string $who): array
    {
        return [
            'POST',
            "/api/datasets/$id/edits",
            [
                'measure' => 'Amount',
                'by' => 'Route',
                'rows' => [$row],
                'periods' => [['key' => $period, 'scenario' => 'AC']],
                'amounts' => [[$amount]],
                'newRows' => true,
            ],
            ['X-Signed' => $who],
        ];
    }

    /**
     * @param list<Answer> $answers
     *
     * @return list<int>
     */
    private static function statuses(array $answers): array
    {
        return array_map(static fn (Answer $answer): int => $answer->status, $answers);
    }

    /**
     * @template T of int|string
     *
     * @param list<T> $values
     *
     * @return list<T>
     */
    private static function sorted(array $values): array
    {
        sort($values);

        return $values;
    }
}
