<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** An issued report never changes, whatever happens to its datasets; what changed since is told. */
final class IssuedReportsTest extends TestCase
{
    private int $dataset;
    private int $report;

    protected function setUp(): void
    {
        $this->dataset = Kept::made(Kept::FARES);
        $recipe = static fn (array $question): array => [
            'keenMargin' => 1,
            'kind' => 'variance-tiers',
            'question' => $question + ['against' => ['BU'], 'span' => 'year to date'],
        ];
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => $this->dataset,
            'name' => 'Routes',
            'recipe' => $recipe(['by' => 'Route']),
        ]);
        $number = ['of' => 'c', 'row' => ['sum' => 'toDate'], 'column' => 'AC', 'exact' => '315'];
        $made = Server::send('POST', '/api/reports', [
            'title' => 'Review',
            'document' => [
                'keenMargin' => 1,
                'report' => 'Review',
                'closedThrough' => '2026-02',
                'pages' => [[
                    'id' => 'p',
                    'title' => 'Where we stand',
                    'message' => ['Fares are ', ['said' => '315', 'follows' => true] + $number],
                    'rows' => [[
                        'blocks' => [
                            ['id' => 'c', 'dataset' => (string) $this->dataset, 'chart' => $recipe(['by' => 'month'])],
                            ['id' => 'n', 'chart' => (string) $chart->int('id')],
                        ],
                    ]],
                ]],
            ],
        ]);
        self::assertSame(201, $made->status, $made->body);
        $this->report = $made->int('id');
    }

    private function issued(): Answer
    {
        $version = Server::send('GET', "/api/reports/$this->report")->int('version');

        return Server::send('POST', "/api/reports/$this->report/issues", null, [
            'If-Match' => "\"$version\"",
            'X-Signed' => 'Ida',
        ]);
    }

    /** @return list<string> all that can be asked about an issued report, byte for byte */
    private function bytes(): array
    {
        return [
            Server::send('GET', "/api/reports/$this->report/issues/1")->body,
            Server::send('GET', "/reports/$this->report/issues/1.pdf")->body,
        ];
    }

    public function testItIsFrozenWithEverythingBehindIt(): void
    {
        $answer = $this->issued();
        self::assertSame([201, 1, 'Feb 2026', 'Ida'], [
            $answer->status,
            $answer->int('issues', 0, 'number'),
            $answer->text('issues', 0, 'closing'),
            $answer->text('issues', 0, 'who'),
        ], $answer->body);
        $issued = Server::send('GET', "/api/reports/$this->report/issues/1");
        self::assertSame('Fares are 315', $issued->text('pages', 0, 'sheet', 'says'));
        self::assertSame('ledger-2026-07.csv', $issued->text('sources', 0, 'imports', 0, 'name'));
        $pdf = Server::send('GET', "/reports/$this->report/issues/1.pdf");
        self::assertSame([200, 'application/pdf'], [$pdf->status, $pdf->header('Content-Type')]);
        self::assertStringStartsWith('%PDF-', $pdf->body);
        self::assertSame(404, Server::send('GET', "/api/reports/$this->report/issues/2")->status);
        self::assertSame(404, Server::send('GET', "/reports/$this->report/issues/2.pdf")->status);
        $stale = Server::send('POST', "/api/reports/$this->report/issues", null, ['If-Match' => '"0"']);
        self::assertSame(412, $stale->status);
    }

    public function testItsBytesNeverChangeWhateverIsDoneToItsDatasets(): void
    {
        $this->issued();
        $bytes = $this->bytes();
        mt_srand(2018);
        $does = $this->deeds();
        $done = [];
        for ($round = 0; $round < 25; ++$round) {
            $name = array_rand($does);
            $answer = $does[$name]();
            // Nothing is left to undo at times; all else is done.
            self::assertLessThan(300, $answer->status, "$name: $answer->body");
            $done[] = $name;
            self::assertSame($bytes, $this->bytes(), implode(', ', $done));
        }
        // At last everything that it came from goes.
        Kept::change('DELETE', $this->dataset, '', []);
        self::assertSame($bytes, $this->bytes());
        $draft = Server::send('GET', "/api/reports/$this->report/pages/p");
        self::assertMatchesRegularExpression(
            '/^Its figures, “.+”, were deleted. Bring them back, or choose others.$/D',
            $draft->text('blocks', 0, 'trouble'),
        );
        $changes = Server::send('GET', "/api/reports/$this->report/changes?from=1&to=now");
        self::assertSame(['was there', 'was there'], array_column(
            array_filter(
                (array) $changes->at('differences'),
                static fn ($one): bool => \is_array($one) && 'chart' === $one['kind'],
            ),
            'was',
        ));
    }

    /** @return array<string, \Closure(): Answer> */
    private function deeds(): array
    {
        $breakdown = Server::send('GET', "/api/datasets/$this->dataset")->int('breakdowns', 0, 'id');

        return [
            'an amount is set' => fn (): Answer => Kept::change('POST', $this->dataset, '/edits', [
                'by' => Server::send('GET', "/api/datasets/$this->dataset")->text('breakdowns', 0, 'name'),
                'measure' => 'Amount',
                'rows' => ['Holm'],
                'periods' => [['key' => '2026-01', 'scenario' => 'AC']],
                'amounts' => [[(string) mt_rand(1, 999)]],
            ]),
            'it is renamed' => fn (): Answer => Kept::change('PATCH', $this->dataset, '', ['name' => 'D'.mt_rand()]),
            'the breakdown is renamed' => fn (): Answer => Kept::change(
                'PATCH', $this->dataset, "/breakdowns/$breakdown", ['name' => 'B'.mt_rand()],
            ),
            'the books move' => fn (): Answer => Kept::change(
                'PATCH', $this->dataset, '', ['closedThrough' => '2026-0'.mt_rand(1, 3)],
            ),
            'a step is undone' => fn (): Answer => Server::send('POST', "/api/datasets/$this->dataset/undo"),
            'the report is rewritten' => function (): Answer {
                $report = Server::send('GET', "/api/reports/$this->report");
                $document = $report->at('document');
                \assert(\is_array($document));
                $document['report'] = 'Review '.mt_rand();

                return Server::send('PUT', "/api/reports/$this->report", ['document' => $document], [
                    'If-Match' => '"'.$report->int('version').'"',
                ]);
            },
            'it is issued again' => fn (): Answer => $this->issued(),
        ];
    }

    public function testWhatChangedSinceIsToldAgainstTheDraftAndAgainstTheFiguresAsTheyAreNow(): void
    {
        $this->issued();
        $none = Server::send('GET', "/api/reports/$this->report/changes?from=1&to=draft");
        self::assertSame([], $none->at('differences'), $none->body);
        $set = Kept::set($this->dataset, 'Holm', '2026-01', '60', ['was' => [['50']]]);
        self::assertSame(200, $set->status, $set->body);
        foreach (['draft', 'now'] as $to) {
            $changes = Server::send('GET', "/api/reports/$this->report/changes?from=1&to=$to");
            /** @var list<array{kind: string, what: string, was: string, is: string}> $differences */
            $differences = $changes->at('differences');
            $told = array_map(
                static fn (array $one): string => "$one[kind]: $one[what] $one[was] → $one[is]",
                $differences,
            );
            self::assertContains('restated: Amount, Jan 2026, AC 150 → 160', $told, $changes->body);
            // The draft says what is now; so does the issued message with the figures as they are now.
            self::assertContains('message: Message Fares are 315 → Fares are 325', $told);
        }
        self::assertSame(404, Server::send('GET', "/api/reports/$this->report/changes?from=7")->status);
        self::assertSame(404, Server::send('GET', "/api/reports/$this->report/changes?from=1&to=7")->status);
        $this->issued();
        $between = Server::send('GET', "/api/reports/$this->report/changes?from=1&to=2");
        self::assertContains('restated', array_column((array) $between->at('differences'), 'kind'));
    }
}
