<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Notes over HTTP: written at a row, found in every chart that shows it, undone with all else, renamed along. */
final class NotesTest extends TestCase
{
    private const CSV = "Month,Route,Amount,Budget\n2025-08,North,1,2\n2026-07,North,3,4\n2026-08,North,5,6\n"
        ."2026-08,Holm,7,8\n";

    /**
     * @param array<string, mixed> $question
     *
     * @return array<string, mixed>
     */
    private static function recipe(array $question = []): array
    {
        return ['keenMargin' => 1, 'question' => $question + ['against' => ['BU']], 'kind' => 'variance-tiers'];
    }

    /** @param array<string, mixed> $question */
    private static function written(
        int $id,
        string $row,
        string $text,
        array $question = [],
        string $who = 'Ida',
    ): Answer {
        return Server::send(
            'POST',
            "/api/datasets/$id/notes",
            ['recipe' => self::recipe($question), 'row' => $row, 'text' => $text],
            ['X-Signed' => $who],
        );
    }

    /**
     * @param array<string, mixed> $question
     *
     * @return list<array{int, string, string}> number, row, text
     */
    private static function shown(int $id, array $question = []): array
    {
        $drawing = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => self::recipe($question)]);
        self::assertSame(200, $drawing->status, $drawing->body);

        return array_map(
            static fn (int $i): array => [
                $drawing->int('notes', $i, 'number'),
                $drawing->text('notes', $i, 'row'),
                $drawing->text('notes', $i, 'text'),
            ],
            array_keys((array) $drawing->at('notes')),
        );
    }

    public function testANoteStandsInEveryChartOfItsRow(): void
    {
        $id = Kept::made(self::CSV);
        $note = self::written($id, '2026-08', "  Island days <b>moved</b>\nto July ");
        self::assertSame(
            [201, "Island days <b>moved</b>\nto July", 'Ida', 'Amount, Aug 2026', '2026-08'],
            [$note->status, $note->text('text'), $note->text('author'), $note->text('label'), $note->text('period')],
        );
        $north = self::written($id, 'North', 'Fewer sailings', [
            'by' => 'Route',
            'span' => ['from' => '2026-08', 'to' => '2026-08'],
        ]);
        self::assertSame('Amount, North, Aug 2026', $north->text('label'));
        self::assertSame([[1, '2026-08', "Island days <b>moved</b>\nto July"]], self::shown($id));
        self::assertSame(
            [[1, '2026-08', 'Fewer sailings']],
            self::shown($id, ['where' => [['field' => 'Route', 'in' => ['North']]]]),
        );
        self::assertSame([[1, '2026-Q3', "Island days <b>moved</b>\nto July"]], self::shown($id, ['by' => 'quarter']));
        $picture = Server::send('POST', "/api/datasets/$id/pictures.svg", ['recipe' => self::recipe()])->body;
        self::assertStringContainsString('Island days &lt;b&gt;moved&lt;/b&gt;', $picture);
    }

    public function testWhatWasWrittenAYearBeforeIsOffered(): void
    {
        $id = Kept::made(self::CSV);
        self::written($id, '2025-08', 'Fair in August');
        $drawing = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => self::recipe()]);
        self::assertSame('Fair in August', $drawing->text('earlier', '2026-08', 0, 'text'));
        self::assertNull($drawing->at('earlier', '2026-07'));
    }

    public function testItIsChangedAndDeletedAndAllIsUndoneInTurn(): void
    {
        $id = Kept::made(self::CSV);
        $note = self::written($id, '2026-08', 'First')->int('id');
        $version = Server::send('GET', "/api/datasets/$id")->header('ETag');
        $changed = Server::send(
            'PUT', "/api/notes/$note", ['text' => 'Second'], ['If-Match' => '"1"', 'X-Signed' => 'Tom'],
        );
        self::assertSame(
            [200, 'Second', 'Tom', 2],
            [$changed->status, $changed->text('text'), $changed->text('author'), $changed->int('version')],
        );
        $stale = Server::send('PUT', "/api/notes/$note", ['text' => 'Third'], ['If-Match' => '"1"']);
        self::assertSame([412, 'Second'], [$stale->status, $stale->text('current', 'text')]);
        self::assertSame(204, Server::send('DELETE', "/api/notes/$note", null, ['If-Match' => '"2"'])->status);
        self::assertSame([[], 404], [self::shown($id), Server::send('GET', "/api/notes/$note")->status]);
        self::assertSame(
            $version,
            Server::send('GET', "/api/datasets/$id")->header('ETag'),
            'A note is no change of what the dataset is',
        );
        foreach (['Second', 'First'] as $text) {
            Server::send('POST', "/api/datasets/$id/undo");
            self::assertSame([[1, '2026-08', $text]], self::shown($id));
        }
        self::assertSame(
            'A note is written about Amount, Aug 2026',
            Server::send('POST', "/api/datasets/$id/undo")->text('step', 'says'),
        );
        self::assertSame([], self::shown($id));
        Server::send('POST', "/api/datasets/$id/redo");
        self::assertSame([[1, '2026-08', 'First']], self::shown($id));
    }

    public function testItFollowsRenamings(): void
    {
        $id = Kept::made(self::CSV);
        self::written($id, 'North', 'Fewer sailings', [
            'by' => 'Route',
            'span' => ['from' => '2026-08', 'to' => '2026-08'],
        ]);
        $dataset = Server::send('GET', "/api/datasets/$id");
        Kept::change('PATCH', $id, '/breakdowns/'.$dataset->int('breakdowns', 0, 'id'), [
            'rename' => 'North',
            'to' => 'Nord',
        ]);
        Kept::change('PATCH', $id, '/measures/'.$dataset->int('measures', 0, 'id'), ['name' => 'Revenue']);
        self::assertSame(
            [[1, '2026-08', 'Fewer sailings']], self::shown($id, ['where' => [['field' => 'Route', 'in' => ['Nord']]]]),
        );
        Server::send('POST', "/api/datasets/$id/undo");
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame(
            [[1, '2026-08', 'Fewer sailings']],
            self::shown($id, ['where' => [['field' => 'Route', 'in' => ['North']]]]),
        );
    }

    public function testACopyOfTheDatasetHasItsNotes(): void
    {
        $id = Kept::made(self::CSV);
        self::written($id, '2026-08', 'Copied');
        $copy = Server::send('POST', "/api/datasets/$id/copies")->int('id');
        self::assertSame([[1, '2026-08', 'Copied']], self::shown($copy));
    }

    public function testTheyAreSearched(): void
    {
        $id = Kept::made(self::CSV);
        $word = 'w'.bin2hex(random_bytes(4));
        self::written($id, '2026-08', "About 100% $word");
        self::written($id, '2026-07', "Something else $word", [], 'Zed_Q');
        $texts = static fn (string $query): array => array_column(
            (array) Server::send('GET', '/api/notes?'.http_build_query(['q' => $query]))->at('items'), 'text',
        );
        self::assertSame(["Something else $word", "About 100% $word"], $texts($word));
        self::assertSame(["About 100% $word"], $texts('100% '.$word));
        self::assertSame([], $texts("100_ $word"));
        self::assertContains("Something else $word", $texts('zed_q'));
        self::assertSame(
            ['note'],
            array_column((array) Server::send('GET', "/api/search?q=$word")->at('items'), 'kind')
                ? array_values(
                    array_unique(array_column((array) Server::send('GET', "/api/search?q=$word")->at('items'), 'kind')),
                )
                : [],
        );
        self::assertCount(2, (array) Server::send('GET', "/api/notes?dataset=$id")->at('items'));
    }

    public function testWhatCannotBeWrittenIsRefused(): void
    {
        $id = Kept::made(self::CSV);
        self::assertSame(
            [422, 'row'],
            [self::written($id, '2031-01', 'x')->status, self::written($id, '2031-01', 'x')->text('path')],
        );
        self::assertSame('text', self::written($id, '2026-08', '  ')->text('path'));
        self::assertSame('text', self::written($id, '2026-08', str_repeat('x', 2001))->text('path'));
        self::assertSame(422, self::written($id, 'other', 'x', ['by' => 'Route', 'top' => 1])->status);
        self::assertSame(
            428, Server::send('DELETE', '/api/notes/'.self::written($id, '2026-08', 'x')->int('id'))->status,
        );
    }
}
