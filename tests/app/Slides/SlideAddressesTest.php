<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use KeenMargin\Tests\app\Answer;
use KeenMargin\Tests\app\Command;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\TestCase;

/** Slides and pictures of reports under lasting addresses, and decks that are given back up to date. */
final class SlideAddressesTest extends TestCase
{
    private const SLIDES = 'application/vnd.openxmlformats-officedocument.presentationml.presentation';

    private int $dataset;
    private int $report;

    protected function setUp(): void
    {
        $this->dataset = Kept::made(Kept::FARES);
        $recipe = ['keenMargin' => 1, 'kind' => 'variance-tiers', 'question' => ['by' => 'month', 'against' => ['BU']]];
        $document = [
            'keenMargin' => 1,
            'report' => 'Review',
            'pages' => [['id' => 'first', 'title' => 'Where we stand', 'message' => 'As it is', 'rows' => [
                ['blocks' => [['id' => 'fares', 'dataset' => (string) $this->dataset, 'chart' => $recipe]]],
                ['blocks' => [['id' => 'words', 'text' => 'Some <script>words</script>']]],
            ]]],
        ];
        $made = Server::send('POST', '/api/reports', ['title' => 'Review “of” all', 'document' => $document]);
        self::assertSame(201, $made->status, $made->body);
        $this->report = $made->int('id');
    }

    private static function slides(Answer $answer): ReadDeck
    {
        self::assertSame(200, $answer->status, $answer->body);
        self::assertSame(self::SLIDES, $answer->header('Content-Type'));
        $deck = new ReadDeck($answer->body);
        DeckRules::assertKept($deck);

        return $deck;
    }

    public function testAReportHasALastingAddressAsSlides(): void
    {
        $answer = Server::send('GET', "/reports/$this->report.pptx");
        $deck = self::slides($answer);
        self::assertStringContainsString('attachment; filename=', $answer->header('Content-Disposition'));
        self::assertStringContainsString('.pptx', $answer->header('Content-Disposition'));
        $said = ReadDeck::said($deck->slide(1), '//a:t');
        self::assertContains('Some <script>words</script>', $said);
        $links = ReadDeck::said(
            $deck->part('ppt/notesSlides/_rels/notesSlide1.xml.rels'), '//s:Relationship[@TargetMode]/@Target',
        );
        self::assertCount(1, $links);
        self::assertStringEndsWith("/reports/$this->report?page=first", $links[0]);
        $notes = implode("\n", ReadDeck::said($deck->part('ppt/notesSlides/notesSlide1.xml'), '//a:t'));
        self::assertMatchesRegularExpression('/Figures came with ledger-2026-07\.csv, \d+ \w+ \d{4}\./', $notes);
        self::assertSame(404, Server::send('GET', '/reports/999999.pptx')->status);
        self::assertCount(1, self::slides(Server::send('GET', "/reports/$this->report.pptx?page=first"))->slides());
        self::assertSame(404, Server::send('GET', "/reports/$this->report.pptx?page=none")->status);
    }

    public function testAnIssuedReportStaysAsItWentOut(): void
    {
        $version = Server::send('GET', "/api/reports/$this->report")->header('ETag');
        $issued = Server::send('POST', "/api/reports/$this->report/issues", [], ['If-Match' => $version]);
        self::assertSame(201, $issued->status, $issued->body);
        $first = Server::send('GET', "/reports/$this->report/issues/1.pptx");
        self::slides($first);
        self::assertSame(204, Server::send('DELETE', "/api/datasets/$this->dataset", null, [
            'If-Match' => Server::send('GET', "/api/datasets/$this->dataset")->header('ETag'),
        ])->status);
        self::assertSame($first->body, Server::send('GET', "/reports/$this->report/issues/1.pptx")->body);
        self::assertSame(404, Server::send('GET', "/reports/$this->report/issues/2.pptx")->status);
    }

    public function testAChartIsASlide(): void
    {
        $recipe = ['keenMargin' => 1, 'kind' => 'nested-columns', 'question' => ['by' => 'Route', 'against' => ['BU']]];
        $asked = Server::send('POST', "/api/datasets/$this->dataset/pictures.pptx", ['recipe' => $recipe]);
        self::assertArrayHasKey('page.message', self::slides($asked)->ours(1));
        $message = ['finish' => ['message' => ['text' => 'Holm is ahead']]];
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => $this->dataset,
            'name' => 'By route '.bin2hex(random_bytes(3)),
            'recipe' => $recipe + $message,
        ]);
        self::assertSame(201, $chart->status, $chart->body);
        $named = Server::send('GET', "/charts/{$chart->int('id')}.pptx");
        self::assertSame('Holm is ahead', self::slides($named)->ours(1)['page.message']['text']);
        $again = Server::send(
            'GET', "/charts/{$chart->int('id')}.pptx", null, ['If-None-Match' => $named->header('ETag')],
        );
        self::assertSame(304, $again->status);
    }

    public function testADeckIsGivenBackUpToDateAndTheListTellsWhat(): void
    {
        $deck = Server::send('GET', "/reports/$this->report.pptx")->body;
        $same = Server::upload('deck.pptx', $deck, to: "/api/reports/$this->report/deck/changes");
        self::assertSame(200, $same->status, $same->body);
        self::assertSame([], $same->list('entries'));
        $document = Server::send('GET', "/api/reports/$this->report")->at('document');
        \assert(\is_array($document));
        $document = array_replace_recursive($document, ['pages' => [['message' => 'As it was not']]]);
        $saved = Server::send('PUT', "/api/reports/$this->report", ['document' => $document], [
            'If-Match' => Server::send('GET', "/api/reports/$this->report")->header('ETag'),
        ]);
        self::assertSame(200, $saved->status, $saved->body);
        $changes = Server::upload('deck.pptx', $deck, to: "/api/reports/$this->report/deck/changes");
        self::assertSame(
            [['kind' => 'changed', 'slide' => 1, 'what' => 'Message', 'says' => '1 text']], $changes->list('entries'),
        );
        $new = Server::upload('deck.pptx', $deck, to: "/api/reports/$this->report/deck");
        self::assertSame('As it was not', self::slides($new)->ours(1)['first.message']['text']);
        $bad = Server::upload('deck.pptx', 'nothing', to: "/api/reports/$this->report/deck");
        self::assertSame(422, $bad->status);
        self::assertStringContainsString('not a presentation', $bad->text('detail'));
        self::assertSame(400, Server::send('POST', "/api/reports/$this->report/deck", [])->status);
    }

    public function testBlocksAndPagesArePicturesThatFollow(): void
    {
        $address = "/reports/$this->report/blocks/fares";
        $picture = Server::send('GET', "$address.svg");
        self::assertSame(200, $picture->status, $picture->body);
        self::assertSame('image/svg+xml', $picture->header('Content-Type'));
        self::assertSame('cross-origin', $picture->header('Cross-Origin-Resource-Policy'));
        self::assertStringContainsString('>Mar<', $picture->body);
        $facts = Server::send('GET', "$address.json");
        self::assertSame('2026-03', $facts->at('closed'));
        self::assertStringContainsString('Amount', $facts->text('title'));
        self::assertStringContainsString('above budget', $facts->text('summary'));
        self::assertStringStartsWith("\x89PNG", Server::send('GET', "$address.png?scale=2")->body);
        self::assertSame('2026-02', Server::send('GET', "$address.json?closed=2026-02")->at('closed'));
        self::assertSame(422, Server::send('GET', "$address.json?closed=soon")->status);
        self::assertSame(404, Server::send('GET', "/reports/$this->report/blocks/none.svg")->status);
        self::assertSame(400, Server::send('GET', "$address.png?scale=9")->status);
        self::assertSame(200, Server::send('GET', "/reports/$this->report/pages/first.svg")->status);
        self::assertSame(
            'Where we stand', Server::send('GET', "/reports/$this->report/pages/first.json")->text('title'),
        );
    }

    public function testWhetherAPictureChangedIsToldHonestly(): void
    {
        $address = "/reports/$this->report/blocks/fares.svg";
        $picture = Server::send('GET', $address);
        $asked = ['If-None-Match' => $picture->header('ETag')];
        self::assertSame(304, Server::send('GET', $address, null, $asked)->status);
        $reading = Server::upload('later.csv', "Month,Route,Amount,Budget\n2026-03,North,999,120\n");
        $brought = Kept::change('POST', $this->dataset, '/imports', ['reading' => $reading->text('id')]);
        self::assertContains($brought->status, [200, 201], $brought->body);
        $now = Server::send('GET', $address, null, $asked);
        self::assertSame(200, $now->status);
        self::assertNotSame($picture->header('ETag'), $now->header('ETag'));
        self::assertGreaterThanOrEqual(
            strtotime($picture->header('Last-Modified')), strtotime($now->header('Last-Modified')),
        );
        self::assertSame(304, Server::send('GET', $address, null, ['If-None-Match' => $now->header('ETag')])->status);
    }

    public function testTheCommandLineMakesThemAndBringsThemUpToDate(): void
    {
        $folder = sys_get_temp_dir().'/keen-slides-'.bin2hex(random_bytes(4));
        mkdir($folder);
        file_put_contents(
            "$folder/fares.csv", "Month;Route;Actual;Budget\n01.2026;North;100,5;120\n02.2026;North;110;0\n",
        );
        $recipe = ['keenMargin' => 1, 'kind' => 'variance-tiers', 'question' => ['by' => 'month', 'against' => ['BU']]];
        file_put_contents("$folder/recipe.json", json_encode($recipe, \JSON_THROW_ON_ERROR));
        $report = ['keenMargin' => 1, 'report' => 'Review', 'closedThrough' => '2026-01', 'pages' => [
            ['id' => 'p', 'message' => 'So', 'rows' => [['blocks' => [['id' => 'c', 'chart' => $recipe]]]]],
        ]];
        $write = static fn (string $closed): int|false => file_put_contents(
            "$folder/report.json", json_encode(['closedThrough' => $closed] + $report, \JSON_THROW_ON_ERROR),
        );
        $make = static fn (string ...$more): array => Command::keen(
            ['report', 'report.json', '--figures', 'Fares=fares.csv', ...array_values($more)],
            '',
            $folder,
        );
        try {
            self::assertSame(
                [0, '', ''], Command::keen(['draw', 'recipe.json', 'fares.csv', '-o', 'c.pptx'], '', $folder),
            );
            DeckRules::assertKept(new ReadDeck((string) file_get_contents("$folder/c.pptx")));
            $write('2026-01');
            self::assertSame(0, $make('-o', 'old.pptx')[0]);
            $write('2026-02');
            [$code, $told] = $make('--update', 'old.pptx');
            self::assertSame(0, $code);
            self::assertMatchesRegularExpression('/^Changed: Slide 1: Amount: /m', $told);
            self::assertFileDoesNotExist("$folder/new.pptx");
            [$code, , $notices] = $make('--update', 'old.pptx', '-o', 'new.pptx');
            self::assertSame(0, $code);
            self::assertStringContainsString('Changed: Slide 1: ', $notices);
            DeckRules::assertKept(new ReadDeck((string) file_get_contents("$folder/new.pptx")));
            [$code, , $refused] = $make('--update', 'old.pptx', '-o', 'old.pptx');
            self::assertSame(
                [2, "old.pptx is the deck that is brought up to date. Write to another file.\n"], [$code, $refused],
            );
            file_put_contents("$folder/bad.pptx", 'nothing');
            self::assertSame(2, $make('--update', 'bad.pptx', '-o', 'new.pptx')[0]);
        } finally {
            array_map(unlink(...), glob("$folder/*") ?: []);
            rmdir($folder);
        }
    }
}
