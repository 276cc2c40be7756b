<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Reports over HTTP: made, changed by two hands, rolled on, issued, compared. */
final class ReportsTest extends TestCase
{
    /**
     * @param array<string, mixed> $question
     *
     * @return array<string, mixed>
     */
    private static function recipe(array $question = []): array
    {
        $question += ['by' => 'month', 'against' => ['BU'], 'span' => 'year to date'];

        return ['keenMargin' => 1, 'question' => $question, 'kind' => 'variance-tiers'];
    }

    /**
     * A report of one page with a chart, a text and a message with a number that stays.
     *
     * @param array<string, mixed> $more
     */
    private static function made(int $dataset, array $more = []): Answer
    {
        $number = ['of' => 'c', 'row' => ['sum' => 'toDate'], 'column' => 'variance:BU'];
        $document = $more + [
            'keenMargin' => 1,
            'report' => 'Review',
            'closedThrough' => '2026-02',
            'pages' => [[
                'id' => 'p',
                'title' => 'Where we stand',
                'message' => ['Ahead by ', ['said' => '5', 'exact' => '-5', 'follows' => false] + $number],
                'rows' => [
                    [
                        'id' => 'r',
                        'blocks' => [['id' => 'c', 'dataset' => (string) $dataset, 'chart' => self::recipe()]],
                    ],
                    ['id' => 's', 'blocks' => [['id' => 't', 'text' => 'A text']]],
                ],
            ]],
        ];
        $made = Server::send('POST', '/api/reports', ['title' => 'Review', 'document' => $document]);
        self::assertSame(201, $made->status, $made->body);

        return $made;
    }

    /**
     * Changes the document as a page would.
     *
     * @param callable(array<mixed>): array<mixed> $change
     * @param array<string, mixed> $more
     */
    private static function put(Answer $report, callable $change, int $based, array $more = []): Answer
    {
        $document = $report->at('document');
        \assert(\is_array($document));

        return Server::send(
            'PUT',
            '/api/reports/'.$report->int('id'),
            ['document' => $change($document), 'says' => 'Something is changed'] + $more,
            ['If-Match' => "\"$based\"", 'X-Signed' => 'Ida'],
        );
    }

    /** @return callable(array<mixed>): array<mixed> */
    private static function withText(string $text): callable
    {
        return static function (array $document) use ($text): array {
            /** @var array{pages: list<array{rows: list<array{blocks: list<array<string, mixed>>}>}>} $document */
            $document['pages'][0]['rows'][1]['blocks'][0]['text'] = $text;

            return $document;
        };
    }

    /** @return callable(array<mixed>): array<mixed> */
    private static function withMessage(mixed $message): callable
    {
        return static function (array $document) use ($message): array {
            /** @var array{pages: list<array<string, mixed>>} $document */
            $document['pages'][0]['message'] = $message;

            return $document;
        };
    }

    public function testAReportIsMadeListedDuplicatedDeletedAndBroughtBack(): void
    {
        $dataset = Kept::made(Kept::FARES);
        $chart = Server::send(
            'POST', '/api/charts', ['dataset' => $dataset, 'name' => 'Fares', 'recipe' => self::recipe()],
        );
        $title = 'Review '.bin2hex(random_bytes(4));
        $made = Server::send('POST', '/api/reports', ['title' => $title, 'charts' => [$chart->int('id')]]);
        self::assertSame([201, $title], [$made->status, $made->text('title')]);
        self::assertSame(
            (string) $chart->int('id'), $made->at('document', 'pages', 0, 'rows', 0, 'blocks', 0, 'chart'),
        );
        $id = $made->int('id');
        $listed = static fn (): Answer => Server::send('GET', '/api/reports?q='.rawurlencode($title));
        self::assertSame(
            [1, 1, 1],
            [$listed()->int('total'), $listed()->int('items', 0, 'pages'), $listed()->int('items', 0, 'charts')],
        );
        $copy = Server::send('POST', "/api/reports/$id/copies");
        self::assertSame([201, "$title (copy)"], [$copy->status, $copy->text('title')]);
        self::assertSame(412, Server::send('DELETE', "/api/reports/$id", null, ['If-Match' => '"9"'])->status);
        self::assertSame(204, Server::send('DELETE', "/api/reports/$id", null, ['If-Match' => '"1"'])->status);
        self::assertSame(1, $listed()->int('total'));
        self::assertSame(404, Server::send('GET', "/api/reports/$id")->status);
        self::assertSame(200, Server::send('POST', "/api/reports/$id/restoration")->status);
        self::assertSame(2, $listed()->int('total'));
        $found = Server::send('GET', '/api/search?q='.rawurlencode($title));
        self::assertSame(['report', 'report'], array_column((array) $found->at('items'), 'kind'));
        $picture = Server::send('GET', "/api/reports/$id/picture.svg");
        self::assertSame([200, 'image/svg+xml'], [$picture->status, $picture->header('Content-Type')]);
    }

    public function testAPageIsDrawnWithItsNumbers(): void
    {
        $report = self::made(Kept::made(Kept::FARES));
        $page = Server::send('GET', '/api/reports/'.$report->int('id').'/pages/p');
        self::assertSame(
            [200, 'Ahead by 5', 1, null], [$page->status, $page->text('says'), $page->int('of'), $page->at('over')],
        );
        self::assertSame('chart', $page->text('blocks', 0, 'kind'));
        self::assertSame(['2026-01', '2026-02'], array_column((array) $page->at('blocks', 0, 'rows'), 'key'));
        $column = Server::send('GET', '/api/reports/'.$report->int('id').'/pages/p?width=390');
        self::assertSame(390, $column->int('width'));
        self::assertSame(404, Server::send('GET', '/api/reports/'.$report->int('id').'/pages/q')->status);
        self::assertSame(404, Server::send('GET', '/api/reports/999999/pages/p')->status);
        $offers = Server::send('GET', '/api/reports/'.$report->int('id').'/pages/p/numbers?q=feb%20budget');
        self::assertSame(200, $offers->status, $offers->body);
        self::assertNotSame([], $offers->at('items'));
        foreach ((array) $offers->at('items') as $offer) {
            \assert(\is_array($offer) && \is_string($offer['says']));
            self::assertMatchesRegularExpression('/feb.*budget|budget.*feb|BU/i', $offer['says']);
        }
    }

    public function testEditsToDifferentBlocksAreBroughtTogetherAndTheSameOneIsNotLost(): void
    {
        $report = self::made(Kept::made(Kept::FARES));
        $first = self::put($report, self::withText('Ida wrote this'), 1);
        self::assertSame([200, 2], [$first->status, $first->int('version')], $first->body);
        // Tom began with the same version.
        $second = self::put($report, self::withMessage('Tom wrote this'), 1);
        self::assertSame(200, $second->status, $second->body);
        self::assertSame('Ida wrote this', $second->at('document', 'pages', 0, 'rows', 1, 'blocks', 0, 'text'));
        self::assertSame('Tom wrote this', $second->at('document', 'pages', 0, 'message'));
        $clash = self::put($report, self::withText('Tom wrote that'), 1);
        self::assertSame([412, ['blocks.t.text']], [$clash->status, $clash->at('current', 'paths')]);
        $over = self::put($report, self::withText('Tom wrote that'), 1, ['over' => true]);
        self::assertSame('Tom wrote that', $over->at('document', 'pages', 0, 'rows', 1, 'blocks', 0, 'text'));
        self::assertSame('Tom wrote this', $over->at('document', 'pages', 0, 'message'), 'other parts stay');
        // Nothing can be put on top of a version that never was.
        foreach ([[], ['over' => true]] as $more) {
            $unknown = self::put($report, self::withText('Late'), 99, $more);
            self::assertSame([412, []], [$unknown->status, $unknown->at('current', 'paths')]);
        }
        $now = Server::send('GET', '/api/reports/'.$report->int('id'));
        self::assertSame('Tom wrote that', $now->at('document', 'pages', 0, 'rows', 1, 'blocks', 0, 'text'));
    }

    public function testStepsAreUndoneAndDoneAgain(): void
    {
        $report = self::made(Kept::made(Kept::FARES));
        $id = $report->int('id');
        self::put($report, self::withText('One'), 1);
        self::put($report, self::withMessage('Two'), 2);
        $undone = Server::send('POST', "/api/reports/$id/undo");
        self::assertSame('Something is changed', $undone->text('step'));
        $now = Server::send('GET', "/api/reports/$id");
        self::assertSame('One', $now->at('document', 'pages', 0, 'rows', 1, 'blocks', 0, 'text'));
        self::assertIsArray($now->at('document', 'pages', 0, 'message'));
        Server::send('POST', "/api/reports/$id/undo");
        self::assertNull(Server::send('POST', "/api/reports/$id/undo")->at('step'));
        $start = Server::send('GET', "/api/reports/$id");
        self::assertEquals($report->at('document'), $start->at('document'));
        Server::send('POST', "/api/reports/$id/redo");
        Server::send('POST', "/api/reports/$id/redo");
        self::assertSame('Two', Server::send('GET', "/api/reports/$id")->at('document', 'pages', 0, 'message'));
        // A change after an undo ends what could be done again.
        Server::send('POST', "/api/reports/$id/undo");
        $before = Server::send('GET', "/api/reports/$id");
        self::put($before, self::withText('Three'), $before->int('version'));
        self::assertNull(Server::send('POST', "/api/reports/$id/redo")->at('step'));
    }

    public function testBadInputIsRefusedAndChangesNothing(): void
    {
        $report = self::made(Kept::made(Kept::FARES));
        $id = $report->int('id');
        $wrong = self::put($report, static fn (array $of): array => $of + ['colour' => 'red'], 1);
        self::assertSame([422, 'colour'], [$wrong->status, $wrong->text('path')]);
        $question = self::put($report, static function (array $document): array {
            /** @phpstan-var array{pages: list<array{rows: list<array{blocks: list<array{
             *     chart: array{question: array<string, mixed>}}>}>}>} $document
             */
            $document['pages'][0]['rows'][0]['blocks'][0]['chart']['question']['span'] = 'for ever';

            return $document;
        }, 1);
        self::assertSame(422, $question->status, $question->body);
        self::assertSame('pages[0].rows[0].blocks[0].chart.question.span', $question->text('path'));
        self::assertSame(428, Server::send('PUT', "/api/reports/$id", ['document' => []])->status);
        self::assertSame(422, Server::send('POST', '/api/reports', ['title' => ' '])->status);
        self::assertSame(404, Server::send('POST', '/api/reports', ['title' => 'a', 'charts' => [999999]])->status);
        self::assertSame(1, Server::send('GET', "/api/reports/$id")->int('version'));
    }

    public function testFindingsAreAcceptedWithAReason(): void
    {
        $report = self::made(Kept::made(Kept::FARES), ['closedThrough' => '2026-03']);
        $id = $report->int('id');
        $found = Server::send('GET', "/api/reports/$id/findings");
        self::assertSame(
            ['stale', 'The message says 5; it is now +10.', '+10', null],
            [
                $found->text('findings', 0, 'kind'),
                $found->text('findings', 0, 'says'),
                $found->text('findings', 0, 'now'),
                $found->at('findings', 0, 'accepted'),
            ],
            $found->body,
        );
        $key = $found->text('findings', 0, 'key');
        $accepted = Server::send(
            'PUT',
            "/api/reports/$id/acceptances",
            ['finding' => $key, 'reason' => 'Rewritten on Monday'],
            ['X-Signed' => 'Ida'],
        );
        self::assertSame(200, $accepted->status, $accepted->body);
        $again = Server::send('GET', "/api/reports/$id/findings");
        self::assertSame(['Rewritten on Monday', 'Ida'], [
            $again->text('findings', 0, 'accepted', 'reason'), $again->text('findings', 0, 'accepted', 'who'),
        ]);
        self::assertSame(0, Server::send('GET', '/api/reports')->int('items', 0, 'settle'));
        Server::send('DELETE', "/api/reports/$id/acceptances", ['finding' => $key]);
        self::assertNull(Server::send('GET', "/api/reports/$id/findings")->at('findings', 0, 'accepted'));
        self::assertSame(422, Server::send('PUT', "/api/reports/$id/acceptances", ['finding' => $key])->status);
    }

    public function testAPinnedReportRollsOnByItselfAndBack(): void
    {
        $dataset = Kept::made(Kept::FARES);
        $report = self::made($dataset);
        $id = $report->int('id');
        $preview = Server::send('GET', "/api/reports/$id/roll?to=2026-03");
        self::assertSame(['Mar 2026', '5', '+10', false], [
            $preview->text('to', 'label'),
            $preview->text('pages', 0, 'numbers', 0, 'was'),
            $preview->text('pages', 0, 'numbers', 0, 'becomes'),
            $preview->at('pages', 0, 'numbers', 0, 'follows'),
        ], $preview->body);
        self::assertSame(1, Server::send('GET', "/api/reports/$id")->int('version'), 'nothing has moved yet');
        $moved = Server::send('POST', "/api/reports/$id/roll", ['to' => '2026-03'], ['If-Match' => '"1"']);
        self::assertSame(['Mar 2026', true], [$moved->text('closing', 'label'), $moved->at('closing', 'isPinned')]);
        self::assertSame('2026-03', Server::send('GET', "/api/datasets/$dataset")->text('closing'));
        Server::send('POST', "/api/reports/$id/undo");
        self::assertSame('Feb 2026', Server::send('GET', "/api/reports/$id")->text('closing', 'label'));
        self::assertSame(422, Server::send('GET', "/api/reports/$id/roll?to=soon")->status);
    }

    public function testAReportThatFollowsMovesTheBooksOfItsDatasetsAndBack(): void
    {
        $dataset = Kept::made(Kept::FARES);
        Kept::change('PATCH', $dataset, '', ['closedThrough' => '2026-02']);
        $report = self::made($dataset, ['closedThrough' => null]);
        $id = $report->int('id');
        self::assertSame(['Feb 2026', false], [$report->text('closing', 'label'), $report->at('closing', 'isPinned')]);
        $preview = Server::send('GET', "/api/reports/$id/roll?to=2026-03");
        self::assertStringContainsString('books closed through Mar 2026', $preview->text('moves', 0));
        $moved = Server::send('POST', "/api/reports/$id/roll", ['to' => '2026-03'], ['If-Match' => '"1"']);
        self::assertSame([200, 'Mar 2026'], [$moved->status, $moved->text('closing', 'label')], $moved->body);
        $closing = static fn (): string => Server::send('GET', "/api/datasets/$dataset")->text('closing');
        self::assertSame('2026-03', $closing());
        Server::send('POST', "/api/reports/$id/undo");
        self::assertSame('2026-02', $closing());
        Server::send('POST', "/api/reports/$id/redo");
        self::assertSame('2026-03', $closing());
    }

    public function testReportsFollowRenamings(): void
    {
        $dataset = Kept::made(Kept::FARES);
        $report = self::made($dataset, ['about' => ['where' => [['field' => 'Route', 'in' => ['North']]]]]);
        $id = $report->int('id');
        $breakdown = Server::send('GET', "/api/datasets/$dataset")->int('breakdowns', 0, 'id');
        $renamed = Kept::change('PATCH', $dataset, "/breakdowns/$breakdown", ['name' => 'Crossing']);
        self::assertSame(200, $renamed->status, $renamed->body);
        $now = Server::send('GET', "/api/reports/$id");
        self::assertSame('Crossing', $now->at('document', 'about', 'where', 0, 'field'), $now->body);
        $later = self::put($now, self::withText('Later'), $now->int('version'));
        self::assertSame(200, $later->status);
        Server::send('POST', "/api/datasets/$dataset/undo");
        $back = Server::send('GET', "/api/reports/$id");
        self::assertSame('Route', $back->at('document', 'about', 'where', 0, 'field'));
        self::assertSame(
            'Later', $back->at('document', 'pages', 0, 'rows', 1, 'blocks', 0, 'text'), 'what came later stays',
        );
    }

    public function testAChartIsPutIntoAReport(): void
    {
        $dataset = Kept::made(Kept::FARES);
        $report = self::made($dataset);
        $id = $report->int('id');
        $own = Server::send(
            'POST', "/api/reports/$id/blocks", ['dataset' => $dataset, 'recipe' => self::recipe(['by' => 'Route'])],
        );
        self::assertSame(
            [201, 'Route'],
            [$own->status, $own->at('document', 'pages', 0, 'rows', 2, 'blocks', 0, 'chart', 'question', 'by')],
        );
        $chart = Server::send(
            'POST', '/api/charts', ['dataset' => $dataset, 'name' => 'N', 'recipe' => self::recipe()],
        );
        $named = Server::send('POST', "/api/reports/$id/blocks", ['chart' => $chart->int('id')]);
        self::assertSame(
            (string) $chart->int('id'), $named->at('document', 'pages', 0, 'rows', 3, 'blocks', 0, 'chart'),
        );
        $sign = $named->text('sign');
        Server::send(
            'PUT',
            '/api/charts/'.$chart->int('id'),
            ['name' => 'N', 'recipe' => self::recipe(['by' => 'Route'])],
            ['If-Match' => '"1"'],
        );
        self::assertNotSame(
            $sign, Server::send('GET', "/api/reports/$id/pulse")->text('sign'), 'its page looks otherwise',
        );
        self::assertSame(404, Server::send('POST', "/api/reports/$id/blocks", ['chart' => 999999])->status);
    }
}
