<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\App\Storage\Upkeep\Soundness;
use PHPUnit\Framework\TestCase;

/** What is kept refers to measures, breakdowns and members by number: whatever they are called, it means the same. */
final class ReferencesTest extends TestCase
{
    private const CSV = "Month,Route,Amount,Budget\n2026-01,Sound,100,120\n2026-01,Holm,8000,7000\n"
        ."2026-02,Sound,110,120\n2026-02,Holm,8100,7000\n";

    private int $dataset;
    private int $route;

    protected function setUp(): void
    {
        $this->dataset = Kept::made(self::CSV);
        $this->route = Server::send('GET', "/api/datasets/$this->dataset")->int('breakdowns', 0, 'id');
    }

    public function testAStepBackBringsBackWhatItWasHoweverItIsCalledNow(): void
    {
        $report = $this->report([self::chart('c', $this->dataset, 'Sound'), self::chart('d', $this->dataset, 'Holm')]);
        $id = $report->int('id');
        $without = self::put($report, self::without('c'));
        self::assertSame(200, $without->status, $without->body);
        $this->swap();
        self::assertSame([['Sound']], self::routes(Server::send('GET', "/api/reports/$id")), 'what stayed follows');
        $undone = Server::send('POST', "/api/reports/$id/undo");
        self::assertSame(200, $undone->status, $undone->body);
        $back = Server::send('GET', "/api/reports/$id");
        self::assertSame([['Old sound'], ['Sound']], self::routes($back));
        $page = Server::send('GET', "/api/reports/$id/pages/p");
        self::assertSame(
            ['Amount in Jan–Feb 2026: 210.', 'Amount in Jan–Feb 2026: 16,100.'],
            [$page->at('blocks', 0, 'summary', 0), $page->at('blocks', 1, 'summary', 0)],
            'the numbers are those of what the labels name',
        );
    }

    public function testStepsGoBackAndOnOverARenaming(): void
    {
        $report = $this->report([self::chart('c', $this->dataset, 'Sound')]);
        $id = $report->int('id');
        $narrowed = self::put($report, self::where('c', ['Holm']));
        self::assertSame(200, $narrowed->status, $narrowed->body);
        $this->rename('Sound', 'Far sound');
        $this->rename('Holm', 'Holme');
        foreach ([['undo', 'Far sound'], ['redo', 'Holme'], ['undo', 'Far sound']] as [$way, $route]) {
            $stepped = Server::send('POST', "/api/reports/$id/$way");
            self::assertSame(200, $stepped->status, $stepped->body);
            self::assertSame([[$route]], self::routes(Server::send('GET', "/api/reports/$id")));
        }
    }

    public function testAPageThatHasNotHeardOfRenamingsMeansWhatItRead(): void
    {
        $report = $this->report([self::chart('c', $this->dataset, 'Sound')]);
        $chart = $this->named('Sound');
        $this->swap();
        $added = self::put($report, self::with(self::chart('d', $this->dataset, 'Sound')), [
            'names' => $report->int('names'),
        ]);
        self::assertSame(200, $added->status, $added->body);
        self::assertSame([['Old sound'], ['Old sound']], self::routes($added));
        $put = Server::send('POST', '/api/reports/'.$report->int('id').'/blocks', [
            'dataset' => $this->dataset,
            'recipe' => self::recipe('Holm'),
            'names' => $chart->int('names'),
        ]);
        self::assertSame(201, $put->status, $put->body);
        $routes = Server::send('GET', '/api/reports/'.$report->int('id'));
        self::assertSame([['Old sound'], ['Old sound'], ['Sound']], self::routes($routes));
        $saved = Server::send(
            'PUT',
            "/api/charts/{$chart->int('id')}",
            ['name' => 'N', 'recipe' => self::recipe('Holm'), 'names' => $chart->int('names')],
            ['If-Match' => $chart->header('ETag')],
        );
        self::assertSame([200, ['Sound']], [$saved->status, $saved->at('recipe', 'question', 'where', 0, 'in')]);
        $drawn = Server::send('POST', "/api/datasets/$this->dataset/drawings", [
            'recipe' => self::recipe('Holm'),
            'names' => $chart->int('names'),
        ]);
        self::assertSame(['Sound'], $drawn->at('recipe', 'question', 'where', 0, 'in'), $drawn->body);
        $anew = Server::send('POST', "/api/datasets/$this->dataset/drawings", [
            'recipe' => $drawn->at('recipe'),
            'names' => $drawn->int('names'),
        ]);
        self::assertSame(['Sound'], $anew->at('recipe', 'question', 'where', 0, 'in'));
    }

    public function testAnOldNameIsUnderstoodWhereNothingElseBearsIt(): void
    {
        $this->rename('Holm', 'Holme');
        Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['name' => 'Crossing']);
        $chart = $this->named('Holm');
        self::assertSame(
            ['field' => 'Crossing', 'in' => ['Holme']], $chart->at('recipe', 'question', 'where', 0), $chart->body,
        );
        self::assertSame(422, Server::send('POST', '/api/charts', [
            'dataset' => $this->dataset,
            'name' => 'N',
            'recipe' => self::recipe('Nowhere'),
        ])->status);
    }

    public function testARenamingChangesOneRow(): void
    {
        $chart = $this->named('Sound');
        $report = $this->report([
            self::chart('c', $this->dataset, 'Sound'), ['id' => 'n', 'chart' => (string) $chart->int('id')],
        ]);
        $measure = Server::send('GET', "/api/datasets/$this->dataset")->int('measures', 0, 'id');
        Server::send('POST', "/api/datasets/$this->dataset/notes", [
            'recipe' => self::recipe('Sound'),
            'row' => '2026-01',
            'text' => 'A note',
        ]);
        $before = self::rows();
        $this->rename('Sound', 'Far sound');
        Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['name' => 'Crossing']);
        Kept::change('PATCH', $this->dataset, "/measures/$measure", ['name' => 'Income']);
        self::assertSame($before, self::rows());
        $now = Server::send('GET', "/api/charts/{$chart->int('id')}");
        self::assertSame(
            ['Income', [['field' => 'Crossing', 'in' => ['Far sound']]]],
            [$now->at('recipe', 'question', 'measure'), $now->at('recipe', 'question', 'where')],
        );
        self::assertSame([['Far sound'], null], self::routes(Server::send('GET', '/api/reports/'.$report->int('id'))));
        $note = Server::send('GET', "/api/notes?dataset=$this->dataset");
        self::assertSame(
            ['Income', [['field' => 'Crossing', 'in' => ['Far sound']]], 'Income, Far sound, Jan 2026'],
            [$note->at('items', 0, 'measure'), $note->at('items', 0, 'place'), $note->at('items', 0, 'label')],
        );
    }

    public function testWhatIsGoneIsSaidByItsLastName(): void
    {
        Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['add' => 'Reef']);
        $chart = $this->named('Reef');
        $path = "/api/charts/{$chart->int('id')}";
        $this->rename('Reef', 'Outer reef');
        $removed = Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['remove' => 'Outer reef']);
        self::assertSame(200, $removed->status, $removed->body);
        $this->rename('Holm', 'Outer reef');
        $gone = ['Outer reef, which was deleted'];
        $now = Server::send('GET', $path);
        self::assertSame($gone, $now->at('recipe', 'question', 'where', 0, 'in'), 'another has its name meanwhile');
        $saved = Server::send(
            'PUT',
            $path,
            ['name' => 'N', 'recipe' => $now->at('recipe'), 'names' => $now->int('names')],
            ['If-Match' => $now->header('ETag')],
        );
        self::assertSame(422, $saved->status);
        self::assertStringContainsString('Outer reef, which was deleted', $saved->text('detail'));
        $listed = Server::send('GET', "/api/charts?dataset=$this->dataset");
        self::assertStringContainsString('which was deleted', $listed->text('items', 0, 'troubles', 0));
        $this->undo(2);
        self::assertSame(['Outer reef'], Server::send('GET', $path)->at('recipe', 'question', 'where', 0, 'in'));
    }

    public function testWhatComesBackUnderItsNameIsTheSame(): void
    {
        Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['add' => 'Reef']);
        $chart = $this->named('Reef');
        Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['remove' => 'Reef']);
        $reading = Server::upload('reef.csv', "Month,Route,Amount,Budget\n2026-03,Reef,7,8\n", $this->dataset);
        $version = Server::send('GET', "/api/datasets/$this->dataset")->header('ETag');
        $came = Server::send(
            'POST',
            "/api/datasets/$this->dataset/imports",
            ['reading' => $reading->text('id')],
            ['If-Match' => $version],
        );
        self::assertSame(201, $came->status, $came->body);
        $now = Server::send('GET', "/api/charts/{$chart->int('id')}");
        self::assertSame(['Reef'], $now->at('recipe', 'question', 'where', 0, 'in'));
        $this->undo(1);
        self::assertContains('Reef', Kept::members($this->dataset), 'the step back over its removal finds it there');
    }

    public function testAMergedMemberIsItselfAgainOnceTheStepIsTakenBack(): void
    {
        $chart = $this->named('Sound');
        $routes = static fn (): mixed => Server::send('GET', "/api/charts/{$chart->int('id')}")->at(
            'recipe', 'question', 'where', 0, 'in',
        );
        Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['merge' => 'Sound', 'into' => 'Holm']);
        self::assertSame(['Holm'], $routes());
        $this->rename('Holm', 'Holme');
        self::assertSame(['Holme'], $routes());
        $this->undo(2);
        self::assertSame(['Sound'], $routes());
    }

    /** A page sends all that it has read, with the names of what members count as; what it did not touch stays. */
    public function testAMergedMemberIsItselfAgainAlsoInAReportThatWasSavedMeanwhile(): void
    {
        $report = $this->report([
            self::chart('c', $this->dataset, 'Sound'),
            self::chart('d', $this->dataset, 'Holm'),
            ['id' => 't', 'text' => 'A text'],
        ]);
        $id = $report->int('id');
        Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['merge' => 'Sound', 'into' => 'Holm']);
        $read = Server::send('GET', "/api/reports/$id");
        self::assertSame([['Holm'], ['Holm'], null], self::routes($read));
        $text = static fn (array $rows): array => array_replace_recursive($rows, [
            2 => ['blocks' => [['text' => 'Another']]],
        ]);
        $saved = self::put($read, $text, ['names' => $read->int('names')]);
        self::assertSame(200, $saved->status, $saved->body);
        // Somebody else had the report open all the while, and changes another block.
        $other = self::put($read, self::where('d', ['Holm', 'Nowhere']), ['names' => $read->int('names')]);
        self::assertSame(200, $other->status, $other->body);
        $this->undo(1);
        self::assertSame([['Sound'], ['Holm', 'Nowhere'], null], self::routes(Server::send('GET', "/api/reports/$id")));
    }

    public function testACopyRefersToItsOwn(): void
    {
        $measures = Server::send('GET', "/api/datasets/$this->dataset");
        $measure = $measures->int('measures', 0, 'id');
        $bands = [['limits' => ['10', '20'], 'field' => 'Route', 'member' => 'Holm']];
        $banded = Kept::change('PATCH', $this->dataset, "/measures/$measure", ['bands' => $bands]);
        self::assertSame(200, $banded->status, $banded->body);
        Server::send('POST', "/api/datasets/$this->dataset/notes", [
            'recipe' => self::recipe('Holm'),
            'row' => '2026-01',
            'text' => 'A note',
        ]);
        $copy = Server::done(Server::send('POST', "/api/datasets/$this->dataset/copies"));
        self::assertSame(201, $copy->status, $copy->body);
        $this->rename('Holm', 'Holme');
        $id = $copy->int('id');
        self::assertSame('Holm', Server::send('GET', "/api/datasets/$id")->at('measures', 0, 'bands', 0, 'member'));
        $note = Server::send('GET', "/api/notes?dataset=$id");
        self::assertSame([['field' => 'Route', 'in' => ['Holm']]], $note->at('items', 0, 'place'), $note->body);
        self::assertSame(
            'Holme', Server::send('GET', "/api/datasets/$this->dataset")->at('measures', 0, 'bands', 0, 'member'),
        );
    }

    /** A name that looks like a number of ours is only a name. */
    public function testNamesThatLookLikeReferencesStayNames(): void
    {
        $report = $this->report([self::chart('c', $this->dataset, 'Sound')]);
        foreach (["member#$this->route", '=member#1', '=', 'Sound, which was deleted', 'breakdown#1'] as $name) {
            $put = self::put($report, self::where('c', [$name]));
            self::assertSame(200, $put->status, $put->body);
            self::assertSame([[$name]], self::routes(Server::send('GET', '/api/reports/'.$report->int('id'))));
            $report = $put;
        }
    }

    private function swap(): void
    {
        $this->rename('Sound', 'Old sound');
        $this->rename('Holm', 'Sound');
    }

    private function rename(string $from, string $to): void
    {
        $renamed = Kept::change('PATCH', $this->dataset, "/breakdowns/$this->route", ['rename' => $from, 'to' => $to]);
        self::assertSame(200, $renamed->status, $renamed->body);
    }

    private function undo(int $steps): void
    {
        foreach (range(1, $steps) as $step) {
            $undone = Server::send('POST', "/api/datasets/$this->dataset/undo");
            self::assertSame(200, $undone->status, "step $step: $undone->body");
        }
    }

    private function named(string $route): Answer
    {
        $made = Server::send('POST', '/api/charts', [
            'dataset' => $this->dataset,
            'name' => 'N',
            'recipe' => self::recipe($route),
        ]);
        self::assertSame(201, $made->status, $made->body);

        return $made;
    }

    /** @param list<array<string, mixed>> $blocks */
    private function report(array $blocks): Answer
    {
        $rows = [];
        foreach ($blocks as $block) {
            $id = $block['id'] ?? '';
            $rows[] = ['id' => \is_string($id) ? "r$id" : 'r', 'blocks' => [$block]];
        }
        $made = Server::send('POST', '/api/reports', [
            'title' => 'Review',
            'document' => [
                'keenMargin' => 1,
                'report' => 'Review',
                'pages' => [['id' => 'p', 'title' => 'A page', 'rows' => $rows]],
            ],
        ]);
        self::assertSame(201, $made->status, $made->body);

        return $made;
    }

    /** @return array<string, mixed> */
    private static function recipe(string $route): array
    {
        return [
            'keenMargin' => 1,
            'question' => ['measure' => 'Amount', 'by' => 'month', 'where' => [['field' => 'Route', 'in' => [$route]]]],
            'kind' => 'variance-tiers',
        ];
    }

    /** @return array<string, mixed> */
    private static function chart(string $id, int $dataset, string $route): array
    {
        return ['id' => $id, 'dataset' => (string) $dataset, 'chart' => self::recipe($route)];
    }

    /**
     * @param callable(array<mixed>): array<mixed> $change of the rows of its page
     * @param array<string, mixed> $more
     */
    private static function put(Answer $report, callable $change, array $more = []): Answer
    {
        /** @var array{pages: list<array{rows: array<mixed>}>} $document */
        $document = $report->at('document');
        $document['pages'][0]['rows'] = $change($document['pages'][0]['rows']);

        return Server::send(
            'PUT',
            '/api/reports/'.$report->int('id'),
            ['document' => $document, 'says' => 'Something is changed'] + $more,
            ['If-Match' => $report->header('ETag')],
        );
    }

    /** @return callable(array<mixed>): array<mixed> */
    private static function without(string $block): callable
    {
        return static fn (array $rows): array => array_values(
            array_filter($rows, static fn (mixed $row): bool => \is_array($row) && $row['id'] !== "r$block"),
        );
    }

    /**
     * @param array<string, mixed> $block
     *
     * @return callable(array<mixed>): array<mixed>
     */
    private static function with(array $block): callable
    {
        return static fn (array $rows): array => array_merge($rows, [['id' => 'new', 'blocks' => [$block]]]);
    }

    /**
     * @param list<string> $routes
     *
     * @return callable(array<mixed>): array<mixed>
     */
    private static function where(string $block, array $routes): callable
    {
        return static fn (array $rows): array => array_map(
            static fn (mixed $row): mixed => \is_array($row) && $row['id'] === "r$block"
                ? array_replace_recursive($row, [
                    'blocks' => [['chart' => ['question' => ['where' => [['in' => $routes]]]]]],
                ])
                : $row,
            $rows,
        );
    }

    /** @return list<mixed> routes that the blocks of its page are about; null of named charts */
    private static function routes(Answer $report): array
    {
        self::assertSame(200, $report->status, $report->body);

        $path = ['blocks', 0, 'chart', 'question', 'where', 0, 'in'];

        return array_map(
            static fn (int|string $row): mixed => $report->at('document', 'pages', 0, 'rows', $row, ...$path),
            array_keys((array) $report->at('document', 'pages', 0, 'rows')),
        );
    }

    /** @return array<string, mixed> whatever is kept of charts, reports, notes and measures besides their own names */
    private static function rows(): array
    {
        $store = Soundness::opened(Server::file());
        $rows = [];
        foreach (
            [
                'SELECT id, version, name, recipe FROM chart', 'SELECT id, version, document FROM report',
                'SELECT report, version, document FROM report_version', 'SELECT id, measure, place, label FROM note',
                'SELECT id, numerator, denominator, bands FROM measure',
            ] as $sql
        ) {
            $found = $store->query($sql);
            $rows[$sql] = false === $found ? [] : $found->fetchAll(\PDO::FETCH_ASSOC);
        }

        return $rows;
    }
}
