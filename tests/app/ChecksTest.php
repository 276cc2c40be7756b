<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Checks of a dataset, the lists that mark what fails, and the search. */
final class ChecksTest extends TestCase
{
    private const CSV = "Month,Route,Actual,Budget\n2026-05,North,10,11\n2026-06,North,11,11\n2026-06,Holm,5,5\n"
        ."2026-07,North,12,\n2026-07,Holm,-5,\n2026-08,North,11,11\n2026-08,Holm,5,6\n";

    /** What the API says of a check: `said($id, 'gaps', 'accepted', 'reason')`. */
    private static function said(int $dataset, string $check, string|int ...$path): mixed
    {
        return self::of("/api/datasets/$dataset/checks", $check, ...$path);
    }

    /** A value of the item with this id in a list. */
    private static function of(string $list, string|int $id, string|int ...$path): mixed
    {
        $answer = Server::send('GET', $list);
        foreach (array_keys((array) $answer->at('items')) as $i) {
            if ($answer->at('items', $i, 'id') === $id) {
                return $answer->at('items', $i, ...$path);
            }
        }
        self::fail("$id is not in $list");
    }

    public function testAFailingCheckLeadsToItsFiguresAndIsAcceptedUntilTheyChange(): void
    {
        $id = Kept::made(self::CSV);
        $said = static fn (string|int ...$path): mixed => self::said($id, 'scenarios-complete', ...$path);
        self::assertSame(
            [
                false,
                'Budget is missing for Jul 2026',
                [['measure' => 'Amount', 'scenario' => 'BU', 'period' => '2026-07', 'members' => [], 'amount' => '']],
                null,
            ],
            [$said('holds'), $said('says'), $said('places'), $said('accepted')],
        );
        self::assertSame(['Holm'], self::said($id, 'mixed-signs', 'places', 0, 'members'));
        self::assertSame(2, self::of('/api/datasets', $id, 'failing'));

        $accepted = Server::send(
            'PUT',
            "/api/datasets/$id/checks/scenarios-complete/acceptance",
            ['mark' => $said('mark'), 'reason' => 'No budget in the month of the slipway repair'],
            ['X-Signed' => 'Ada'],
        );
        self::assertSame(200, $accepted->status, $accepted->body);
        self::assertSame(
            ['Ada', 'No budget in the month of the slipway repair'],
            [$said('accepted', 'who'), $said('accepted', 'reason')],
        );
        self::assertSame(1, self::of('/api/datasets', $id, 'failing'), 'quiet');

        Kept::set($id, 'North', '2026-08', '13');
        self::assertNotNull($said('accepted'), 'another figure has changed');
        Kept::set($id, 'North', '2026-09', '13');
        self::assertNull($said('accepted'), 'budget is missing for another month as well');
        self::assertSame(2, self::of('/api/datasets', $id, 'failing'));
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertNotNull($said('accepted'), 'as it was, and was accepted');
        self::assertSame(200, Server::send('DELETE', "/api/datasets/$id/checks/scenarios-complete/acceptance")->status);
        self::assertNull($said('accepted'));
    }

    public function testOnlyWhatWasReadIsAccepted(): void
    {
        $id = Kept::made(self::CSV);
        $mark = self::said($id, 'mixed-signs', 'mark');
        Kept::set($id, 'Holm', '2026-06', '-7');
        $late = Server::send('PUT', "/api/datasets/$id/checks/mixed-signs/acceptance", [
            'mark' => $mark,
            'reason' => 'x',
        ]);
        self::assertSame(
            [422, 'What this check says has changed meanwhile. Read it again before you accept it.'],
            [$late->status, $late->at('detail')],
        );
        self::assertSame(
            422,
            Server::send('PUT', "/api/datasets/$id/checks/mixed-signs/acceptance", ['mark' => 'x', 'reason' => ''])
                ->status,
        );
        self::assertSame(
            404,
            Server::send('PUT', "/api/datasets/$id/checks/nothing/acceptance", ['mark' => 'x', 'reason' => 'y'])
                ->status,
        );
    }

    public function testMembersThatAFileNamesForTheFirstTime(): void
    {
        $id = Kept::made(self::CSV);
        $reading = Server::send('POST', '/api/readings', [
            'name' => 'september.csv',
            'text' => "Month,Route,Actual,Budget\n2026-09,Norht,9,8\n",
            'dataset' => $id,
        ]);
        self::assertSame(201, Kept::change('POST', $id, '/imports', ['reading' => $reading->text('id')])->status);
        Server::send('PUT', "/api/datasets/$id/checks/new-members/acceptance", [
            'mark' => self::said($id, 'new-members', 'mark'),
            'reason' => 'A new pier',
        ]);
        Kept::change('PATCH', $id, '', ['closedThrough' => '2026-07']);
        self::assertSame(
            'A new pier', self::said($id, 'new-members', 'accepted', 'reason'), 'the books move on, the members stay',
        );
        self::assertSame(
            [false, 'Seen for the first time in september.csv: "Norht" of Route', ['Norht']],
            [
                self::said($id, 'new-members', 'holds'),
                self::said($id, 'new-members', 'says'),
                self::said($id, 'new-members', 'places', 0, 'members'),
            ],
        );
    }

    public function testListsMarkWhatFailsIsBehindOrCannotBeDrawn(): void
    {
        $id = Kept::made(self::CSV);
        $make = static fn (array $question): int => Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => 'Marked',
            'recipe' => ['keenMargin' => 1, 'question' => (object) $question, 'kind' => 'variance-tiers'],
        ])->int('id');
        [$plain, $pinned, $filtered] = [
            $make([]),
            $make(['closedThrough' => '2026-06']),
            $make(['where' => [['field' => 'Route', 'in' => ['Holm']]]]),
        ];
        self::assertSame(
            [['2 checks of its figures fail.'], null],
            [self::of('/api/charts', $plain, 'troubles'), self::of('/api/charts', $plain, 'behind')],
        );
        self::assertSame(
            'Closed through Jun 2026; its figures through Aug 2026.', self::of('/api/charts', $pinned, 'behind'),
        );
        $import = Server::send('GET', "/api/datasets/$id/imports")->int('items', 0, 'id');
        Server::send('POST', "/api/imports/$import/take-back", ['confirmed' => true]);
        self::assertStringContainsString(
            'Cannot be drawn any more.',
            json_encode(self::of('/api/charts', $filtered, 'troubles'), \JSON_THROW_ON_ERROR),
        );
    }

    public function testEverythingThatHasANameIsFound(): void
    {
        $mark = 'Q'.bin2hex(random_bytes(4));
        $id = Kept::made("Month,Route,Actual\n2026-05,$mark 100% <b>,10\n", null, "$mark.csv");
        Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => "Chart of $mark",
            'recipe' => ['keenMargin' => 1, 'question' => (object) [], 'kind' => 'variance-tiers'],
        ]);
        Kept::change('PATCH', $id, '', ['organisation' => "$mark Ferries"]);
        $found = static fn (string $sought): array => array_column(
            (array) Server::send('GET', '/api/search?q='.rawurlencode($sought))->at('items'), 'name', 'kind',
        );
        self::assertSame(['chart', 'dataset', 'member', 'import'], array_keys($found($mark)));
        self::assertSame(['member' => "$mark 100% <b>"], $found("$mark 100%"), 'a percent sign is a percent sign');
        self::assertSame([[], []], [$found(''), $found($mark.'_')]);
        self::assertSame(400, Server::send('GET', '/api/search?q='.str_repeat('x', 300))->status);
        Kept::change('PATCH', $id, '', ['organisation' => "Öresund Øst $mark"]);
        foreach (["ÖRESUND ØST $mark", "öresund øst $mark", "oresund ost $mark"] as $typed) {
            self::assertSame(['dataset'], array_keys($found($typed)), $typed);
        }
        $listed = Server::send('GET', '/api/charts?q='.rawurlencode("CHÀRT OF $mark"));
        self::assertSame(1, $listed->int('total'), 'lists are sought through alike');
    }

    /** Reading goes on while somebody writes; what waits too long says so. */
    public function testWhileSomebodyElseWrites(): void
    {
        $id = Kept::made(self::CSV);
        $writer = new \PDO('sqlite:'.Server::file());
        $writer->exec('BEGIN IMMEDIATE');
        self::assertSame(
            [200, 200, 200],
            [
                Server::send('GET', "/api/datasets/$id")->status,
                Server::send('GET', "/api/datasets/$id/checks")->status,
                Server::send('GET', '/api/datasets')->status,
            ],
        );
        $late = Kept::set($id, 'North', '2026-08', '13');
        self::assertSame([503, '2'], [$late->status, $late->header('Retry-After')], $late->body);
        self::assertStringContainsString('Nothing of yours was changed. Try again in a moment.', $late->text('detail'));
        $writer->exec('ROLLBACK');
        self::assertSame(200, Kept::set($id, 'North', '2026-08', '13')->status);
    }
}
