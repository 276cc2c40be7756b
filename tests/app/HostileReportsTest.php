<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\App\Storage\Upkeep\Soundness;
use PHPUnit\Framework\TestCase;

/** Reports under hands that collide and requests that mean no good: nothing is lost, and no other report suffers. */
final class HostileReportsTest extends TestCase
{
    /**
     * @param list<array<string, mixed>> $blocks of the first page, a row each
     * @param array<string, mixed> $more pages and whatever a document has
     */
    private static function made(array $blocks, array $more = []): Answer
    {
        $rows = array_map(
            static fn (array $block, int $i): array => ['id' => "r$i", 'blocks' => [$block]],
            $blocks,
            array_keys($blocks),
        );
        $document = $more + [
            'keenMargin' => 1,
            'report' => 'Review',
            'pages' => [['id' => 'a', 'title' => 'First', 'rows' => $rows], ['id' => 'b', 'title' => 'Second']],
        ];

        return Server::send('POST', '/api/reports', ['title' => 'Review', 'document' => $document]);
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $change */
    private static function put(Answer $report, callable $change): Answer
    {
        /** @var array<string, mixed> $document */
        $document = $report->at('document');

        return Server::send(
            'PUT',
            '/api/reports/'.$report->int('id'),
            ['document' => $change($document)],
            ['If-Match' => $report->header('ETag')],
        );
    }

    /** @return array<string, mixed> */
    private static function text(string $id, string $text = 'A text'): array
    {
        return ['id' => $id, 'text' => $text];
    }

    public function testALargeDocumentWithLettersBeyondAsciiIsKeptAndOpens(): void
    {
        $pages = [];
        foreach (range(1, 20) as $page) {
            $rows = array_map(
                static fn (int $row): array => ['id' => "r$page-$row", 'blocks' => [
                    self::text("t$page-$row", str_repeat('Ø', 1_600)),
                ]],
                range(1, 12),
            );
            $pages[] = ['id' => "p$page", 'title' => 'Ø', 'rows' => $rows];
        }
        $made = self::made([], ['pages' => $pages]);
        self::assertSame(201, $made->status, substr($made->body, 0, 300));
        self::assertSame(200, Server::send('GET', '/api/reports')->status);
        self::assertSame(200, Server::send('GET', '/api/reports/'.$made->int('id'))->status);
    }

    public function testOneReportThatCannotBeReadKeepsNobodyFromTheirs(): void
    {
        $dataset = Kept::made(Kept::FARES);
        $broken = self::made([self::text('t')]);
        $id = $broken->int('id');
        $store = Soundness::opened(Server::file());
        $store->exec("UPDATE report SET document = '{\"keenMargin\": 7}' WHERE id = $id");
        try {
            $list = Server::send('GET', '/api/reports');
            self::assertSame(200, $list->status, $list->body);
            $troubles = array_column((array) $list->at('items'), 'trouble', 'id');
            self::assertStringContainsString('cannot be opened', (string) $troubles[$id]);
            $breakdown = Server::send('GET', "/api/datasets/$dataset")->int('breakdowns', 0, 'id');
            $renamed = Kept::change('PATCH', $dataset, "/breakdowns/$breakdown", [
                'rename' => 'North',
                'to' => 'Norður',
            ]);
            self::assertSame(200, $renamed->status, $renamed->body);
        } finally {
            $store->exec("PRAGMA foreign_keys = ON; DELETE FROM report WHERE id = $id");
        }
    }

    public function testAReportHasNoMoreChartsThanCanBeDrawn(): void
    {
        $dataset = (string) Kept::made(Kept::FARES);
        $chart = ['keenMargin' => 1, 'kind' => 'variance-tiers', 'question' => ['by' => 'month', 'against' => ['BU']]];
        $pages = [];
        foreach (range(1, 11) as $page) {
            $rows = array_map(
                static fn (int $row): array => ['id' => "r$page-$row", 'blocks' => [
                    ['id' => "c$page-$row", 'dataset' => $dataset, 'chart' => $chart],
                ]],
                range(1, 11),
            );
            $pages[] = ['id' => "p$page", 'title' => 'Charts', 'rows' => $rows];
        }
        $refused = self::made([], ['pages' => $pages]);
        self::assertSame([422, 'pages'], [$refused->status, $refused->text('path')], $refused->body);
        self::assertStringContainsString('120 charts', $refused->text('detail'));
        $tooMany = Server::send('POST', '/api/reports', ['title' => 'Many', 'charts' => range(1, 121)]);
        self::assertSame([422, 'charts'], [$tooMany->status, $tooMany->text('path')], 'none is left out in silence');
        // What an earlier version kept opens, whatever it has.
        $kept = self::made([self::text('t')])->int('id');
        $document = json_encode(['keenMargin' => 1, 'report' => 'Old', 'pages' => $pages], \JSON_THROW_ON_ERROR);
        Soundness::opened(Server::file())->exec("UPDATE report SET document = '$document' WHERE id = $kept");
        self::assertSame(200, Server::send('GET', "/api/reports/$kept")->status);
    }

    public function testAMovedRowIsNotLostWithThePageThatSomebodyDeletes(): void
    {
        $report = self::made([self::text('t')]);
        $moved = self::put($report, static function (array $document): array {
            /** @var array{pages: list<array<string, mixed>>} $document */
            $document['pages'][1]['rows'] = $document['pages'][0]['rows'] ?? [];
            unset($document['pages'][0]['rows']);

            return $document;
        });
        self::assertSame(200, $moved->status, $moved->body);
        // From the same version somebody else deletes the page that it stood on.
        $deleted = self::put($report, static function (array $document): array {
            /** @var array{pages: list<array<string, mixed>>} $document */
            $document['pages'] = [$document['pages'][1]];

            return $document;
        });
        self::assertSame([412, ['blocks.t']], [$deleted->status, $deleted->at('current', 'paths')], $deleted->body);
        $now = Server::send('GET', '/api/reports/'.$report->int('id'));
        self::assertSame('A text', $now->at('document', 'pages', 1, 'rows', 0, 'blocks', 0, 'text'));
    }

    public function testTwoChangesThatAreNoReportTogetherAreAConflict(): void
    {
        $report = self::made([self::text('t')]);
        $with = static fn (string ...$ids): callable => static function (array $document) use ($ids): array {
            /** @var array{pages: list<array{rows: list<array{blocks: list<mixed>}>}>} $document */
            array_push($document['pages'][0]['rows'][0]['blocks'], ...array_map(self::text(...), $ids));

            return $document;
        };
        self::assertSame(200, self::put($report, $with('u', 'v'))->status);
        $second = self::put($report, $with('x', 'y'));
        self::assertSame(412, $second->status, $second->body);
        self::assertSame(['pages[0].rows[0].blocks'], $second->at('current', 'paths'));
    }

    public function testAChartIsPutOnANewPageWhereTheLastIsFull(): void
    {
        $dataset = Kept::made(Kept::FARES);
        $report = self::made([], ['pages' => [
            ['id' => 'a', 'title' => 'Full', 'rows' => array_map(
                static fn (int $i): array => ['id' => "r$i", 'blocks' => [self::text("t$i")]],
                range(1, 12),
            )],
        ]]);
        $recipe = ['keenMargin' => 1, 'kind' => 'variance-tiers', 'question' => ['by' => 'month', 'against' => ['BU']]];
        $put = Server::send('POST', '/api/reports/'.$report->int('id').'/blocks', [
            'dataset' => $dataset,
            'recipe' => $recipe,
        ]);
        self::assertSame(201, $put->status, $put->body);
        self::assertCount(2, (array) $put->at('document', 'pages'));
    }

    public function testAPageOfAnotherSiteMayShowChartsAndAskForNothingElse(): void
    {
        $id = self::made([self::text('t')])->int('id');
        $from = static fn (string $mode): array => ['Sec-Fetch-Site' => 'cross-site', 'Sec-Fetch-Mode' => $mode];
        self::assertSame(403, Server::send('GET', "/api/reports/$id/findings", null, $from('no-cors'))->status);
        self::assertSame(403, Server::send('GET', "/reports/$id.pdf", null, $from('no-cors'))->status);
        self::assertSame(200, Server::send('GET', "/reports/$id.pdf", null, $from('navigate'))->status, 'a link');
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => Kept::made(Kept::FARES),
            'name' => 'Fares',
            'recipe' => [
                'keenMargin' => 1,
                'kind' => 'variance-tiers',
                'question' => ['by' => 'month', 'against' => ['BU']],
            ],
        ])->int('id');
        self::assertSame(200, Server::send('GET', "/charts/$chart.svg", null, $from('no-cors'))->status);
    }

    public function testWhoSignsIsWrittenAsAName(): void
    {
        $report = self::made([self::text('t')]);
        $issued = Server::send('POST', '/api/reports/'.$report->int('id').'/issues', null, [
            'If-Match' => $report->header('ETag'),
            'X-Signed' => rawurlencode("Id\u{202E}a \u{200F}<[Berg]>"),
        ]);
        self::assertSame(201, $issued->status, $issued->body);
        self::assertSame('Id a Berg', $issued->text('issues', 0, 'who'));
    }

    public function testAWidthThatIsNoneIsSaidPlainly(): void
    {
        $id = self::made([self::text('t')])->int('id');
        $page = Server::send('GET', "/api/reports/$id/pages/a?width=x");
        self::assertSame([400, 'width: give a whole number from 1.'], [$page->status, $page->text('detail')]);
    }

    public function testManyVersionsOfALargeReportTakeLittleMoreThanOne(): void
    {
        $blocks = array_map(
            static fn (int $i): array => self::text("t$i", str_repeat("All of page $i. ", 120)),
            range(1, 12),
        );
        $report = self::made($blocks);
        $id = $report->int('id');
        $one = \strlen($report->body);
        foreach (range(1, 30) as $step) {
            $changed = self::put($report, static function (array $document) use ($step): array {
                /** @var array{pages: list<array{rows: list<array{blocks: list<array<string, mixed>>}>}>} $document */
                $document['pages'][0]['rows'][3]['blocks'][0]['text'] = "Step $step";

                return $document;
            });
            self::assertSame(200, $changed->status, $changed->body);
            $report = $changed;
        }
        $store = Soundness::opened(Server::file());
        $bytes = 0;
        foreach (['report_version' => 'document', 'report_part' => 'json'] as $table => $column) {
            $sum = $store->query("SELECT COALESCE(SUM(LENGTH($column)), 0) FROM $table WHERE report = $id");
            $bytes += false === $sum ? 0 : (int) $sum->fetchColumn();
        }
        self::assertLessThan(4 * $one, $bytes);
        for ($steps = 0; null !== Server::send('POST', "/api/reports/$id/undo")->at('step'); ++$steps) {
        }
        self::assertSame(30, $steps);
        $start = Server::send('GET', "/api/reports/$id");
        self::assertSame($blocks[3]['text'], $start->at('document', 'pages', 0, 'rows', 3, 'blocks', 0, 'text'));
    }
}
