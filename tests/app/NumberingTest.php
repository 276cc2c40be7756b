<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** A full database of the version before references were numbers: renamed, swapped, merged and deleted members. */
final class NumberingTest extends TestCase
{
    private const BEFORE = 'KeenMargin\Migrations\Version20261203000000';

    private string $file;

    protected function setUp(): void
    {
        $this->file = sys_get_temp_dir().'/keen-numbering-'.bin2hex(random_bytes(4)).'.sqlite';
        Migrated::to(self::BEFORE, $this->file);
        $store = new \PDO("sqlite:$this->file");
        $store->setAttribute(\PDO::ATTR_ERRMODE, \PDO::ERRMODE_EXCEPTION);
        self::fill($store);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob($this->file.'*') ?: []);
    }

    public function testWhatIsKeptMeansWhatItMeantWhenItWasWritten(): void
    {
        $said = Migrated::to('latest', $this->file);
        $unresolved = 'names what is not there and never was: “Nowhere” of Route. It stays as it is written.';
        self::assertSame(
            ["The report “Review” $unresolved", "An earlier version of the report “Review” $unresolved"],
            array_values(array_filter(explode("\n", $said))),
        );
        $kept = $this->rows('SELECT recipe FROM chart ORDER BY id');
        self::assertStringContainsString('"in":["member#1"]', $kept[0][0]);
        self::assertStringContainsString('"measure":"measure#1"', $kept[0][0]);
        $server = OwnServer::on($this->file, isMigrated: true);
        try {
            Server::instead($server, self::looked(...));
        } finally {
            $server->end();
        }
    }

    public function testItLeadsBack(): void
    {
        $tables = [
            'SELECT id, recipe FROM chart ORDER BY id', 'SELECT measure, place FROM note',
            'SELECT name, numerator, denominator, bands FROM measure ORDER BY id', 'SELECT document FROM report',
        ];
        $before = array_map($this->rows(...), $tables);
        Migrated::to('latest', $this->file);
        Migrated::to(self::BEFORE, $this->file);
        $before[3][0] = str_replace('"Reef"', '"Reef, which was deleted"', $before[3][0]);
        self::assertSame($before, array_map($this->rows(...), $tables));
    }

    private static function looked(): void
    {
        $routes = static fn (int $chart): mixed => Server::send('GET', "/api/charts/$chart")->at(
            'recipe', 'question', 'where', 0, 'in',
        );
        self::assertSame([['Old sound'], ['Sound']], [$routes(1), $routes(2)]);
        $dataset = Server::send('GET', '/api/datasets/1');
        self::assertSame(
            ['Revenue', 'Old sound'],
            [$dataset->at('measures', 2, 'numerator'), $dataset->at('measures', 0, 'bands', 0, 'member')],
        );
        $note = Server::send('GET', '/api/notes?dataset=1');
        self::assertSame(
            ['Revenue', [['field' => 'Route', 'in' => ['Old sound']]]],
            [$note->at('items', 0, 'measure'), $note->at('items', 0, 'place')],
        );
        $blocks = static function (): array {
            $report = Server::send('GET', '/api/reports/1');
            $found = [];
            foreach ((array) $report->at('document', 'pages', 0, 'rows') as $row => $of) {
                $block = ['document', 'pages', 0, 'rows', $row, 'blocks', 0];
                if (null === $report->at(...[...$block, 'chart'])) {
                    continue;
                }
                $found[$report->text(...[...$block, 'id'])] = $report->at(
                    ...[...$block, 'chart', 'question', 'where', 0, 'in'],
                );
            }

            return $found;
        };
        $last = ['d' => ['Sound'], 'e' => ['Reef, which was deleted'], 'f' => ['Nowhere']];
        self::assertSame($last, $blocks());
        self::assertSame('The text is changed', Server::send('POST', '/api/reports/1/undo')->at('step'));
        self::assertSame('A block is deleted', Server::send('POST', '/api/reports/1/undo')->at('step'));
        self::assertSame(['c' => ['Old sound']] + $last, $blocks(), 'not what is called Sound now');
        $stepped = [];
        foreach (range(1, 5) as $step) {
            $undone = Server::send('POST', '/api/datasets/1/undo');
            self::assertSame(200, $undone->status, "step $step: $undone->body");
            $stepped[] = [$routes(2), array_values($blocks())[0]];
        }
        self::assertSame(
            [
                [['Sound'], ['Old sound']],
                [['Isle'], ['Old sound']],
                [['Isle'], ['Old sound']],
                [['Isle'], ['Sound']],
                [['Isle'], ['Sound']],
            ],
            $stepped,
        );
        $start = Server::send('GET', '/api/datasets/1');
        self::assertSame('Sales', $start->at('measures', 0, 'name'));
        self::assertSame('Sales', Server::send('GET', '/api/charts/1')->at('recipe', 'question', 'measure'));
        self::assertSame(['d' => ['Holm'], 'e' => ['Reef']], array_intersect_key($blocks(), ['d' => 1, 'e' => 1]));
    }

    /**
     * In this order: the measure Sales becomes Revenue; a block about Sound is deleted from the report; Sound becomes
     * Old sound and Holm becomes Sound; the text of the report changes; Isle counts as Sound; Reef is removed.
     */
    private static function fill(\PDO $store): void
    {
        $store->exec(
            'INSERT INTO dataset (id, version, revision, used_at, fact_count, name, organisation, grain, '.
                "first_month, coverage, notices) VALUES (1, 9, 1, '2026-11-24 00:00:00', 0, 'Fares', '', 'month', 1, ".
                "'{\"AC\":[24312]}', '[]')",
        );
        $bands = self::json([['limits' => ['1', '2'], 'field' => 'Route', 'member' => 'Old sound']]);
        self::insert($store, 'measure', [
            [1, 0, 'Revenue', 'EUR', 0, 'sum', null, null, '["Sales"]', $bands],
            [2, 1, 'Trips', '', 0, 'sum', null, null, '[]', '[]'],
            [3, 2, 'Fare', 'EUR', 0, 'ratio', 'Revenue', 'Trips', '[]', '[]'],
        ], 'id, position, name, unit, scale, grouping, numerator, denominator, former, bands, dataset_id', 1);
        $store->exec("INSERT INTO breakdown (id, position, name, dataset_id) VALUES (1, 0, 'Route', 1)");
        self::insert($store, 'member', [
            [1, 0, 'Old sound', null, '["Sound"]'], [2, 1, 'Sound', null, '["Holm"]'], [3, 2, 'Isle', 2, '[]'],
        ], 'id, position, name, merged_into, former, breakdown_id', 1);
        foreach (['Old sound', 'Sound'] as $i => $route) {
            $chart = $store->prepare(
                'INSERT INTO chart (id, version, name, saved_at, recipe, dataset_id) '.
                    "VALUES (?, 3, ?, '2026-11-24 00:00:00', ?, 1)",
            );
            $chart->execute([$i + 1, "Chart $i", self::json(self::recipe('Revenue', $route))]);
        }
        $store
            ->prepare(
                'INSERT INTO note (id, version, measure, period, place, label, text, author, at, dataset_id) VALUES '.
                    "(1, 1, 'Revenue', '2026-01', ?, 'A row', 'A note', '', '2026-11-24', 1)",
            )
            ->execute([self::json([['field' => 'Route', 'in' => ['Old sound']]])]);
        self::fillReport($store);
        self::fillLog($store);
    }

    private static function fillReport(\PDO $store): void
    {
        $versions = [
            1 => self::document(['c' => 'Sound', 'd' => 'Holm', 'e' => 'Reef', 'f' => 'Nowhere'], 'A'),
            2 => self::document(['d' => 'Holm', 'e' => 'Reef', 'f' => 'Nowhere'], 'A'),
            3 => self::document(['d' => 'Sound', 'e' => 'Reef', 'f' => 'Nowhere'], 'A'),
            4 => self::document(['d' => 'Sound', 'e' => 'Reef', 'f' => 'Nowhere'], 'B'),
        ];
        $store
            ->prepare(
                'INSERT INTO report (id, version, title, saved_at, used_at, document) VALUES '.
                    "(1, 4, 'Review', '2026-11-24 00:00:00', '2026-11-24 00:00:00', ?)",
            )
            ->execute([self::json($versions[4])]);
        foreach ($versions as $version => $document) {
            $store
                ->prepare('INSERT INTO report_version (report, version, document) VALUES (1, ?, ?)')
                ->execute([$version, self::json($document)]);
        }
        $steps = [['A block is deleted', '10:00', 1, 2], ['The text is changed', '12:00', 3, 4]];
        foreach ($steps as [$says, $time, $was, $became]) {
            $store
                ->prepare(
                    'INSERT INTO report_step (report, at, who, says, undone, was, became, closings) VALUES '.
                        "(1, ?, '', ?, 0, ?, ?, '[]')",
                )
                ->execute(["2026-11-24T$time:00+00:00", $says, $was, $became]);
        }
    }

    private static function fillLog(\PDO $store): void
    {
        $chart = static fn (int $id, string $was, string $is, string $route): array => [
            'chart',
            $id,
            ['recipe' => self::json(self::recipe($was, $route))],
            ['recipe' => self::json(self::recipe($is, $route))],
        ];
        $route = static fn (int $id, string $was, string $is): array => [
            'chart',
            $id,
            ['recipe' => self::json(self::recipe('Revenue', $was))],
            ['recipe' => self::json(self::recipe('Revenue', $is))],
        ];
        $name = static fn (string $table, int $id, string $was, string $is): array => [
            $table, $id, ['name' => $was, 'former' => '[]'], ['name' => $is, 'former' => self::json([$was])],
        ];
        $report = static fn (string $was, string $is): array => [
            'report',
            1,
            ['document' => self::json(self::document(['d' => $was, 'e' => 'Reef', 'f' => 'Nowhere'], 'A'))],
            ['document' => self::json(self::document(['d' => $is, 'e' => 'Reef', 'f' => 'Nowhere'], 'A'))],
        ];
        $changes = [
            ['09:00', [
                $chart(1, 'Sales', 'Revenue', 'Sound'),
                $chart(2, 'Sales', 'Revenue', 'Isle'),
                ['measure', 3, ['numerator' => 'Sales'], ['numerator' => 'Revenue']],
                $name('measure', 1, 'Sales', 'Revenue'),
            ]],
            ['11:00', [$route(1, 'Sound', 'Old sound'), $name('member', 1, 'Sound', 'Old sound')]],
            ['11:05', [$report('Holm', 'Sound'), $name('member', 2, 'Holm', 'Sound')]],
            ['12:30', [['member', 3, ['merged_into' => null], ['merged_into' => 2]], $route(2, 'Isle', 'Sound')]],
            ['12:40', [[
                'member',
                4,
                ['breakdown_id' => 1, 'position' => 3, 'name' => 'Reef', 'parent_id' => null, 'role' => null,
                    'former' => '[]'],
                null,
            ]]],
        ];
        foreach ($changes as [$time, $rows]) {
            $store
                ->prepare(
                    "INSERT INTO dataset_change (dataset, at, who, says, undone, body) VALUES (1, ?, '', 'Done', 0, ?)",
                )
                ->execute([
                    "2026-11-24T$time:00+00:00", self::json(['rows' => $rows, 'import' => null, 'series' => []]),
                ]);
        }
    }

    /** @return array<string, mixed> */
    private static function recipe(string $measure, string $route): array
    {
        return [
            'keenMargin' => 1,
            'question' => [
                'measure' => $measure,
                'scenario' => 'AC',
                'by' => 'month',
                'where' => [['field' => 'Route', 'in' => [$route]]],
            ],
            'kind' => 'variance-tiers',
        ];
    }

    /**
     * @param array<string, string> $routes by block
     *
     * @return array<string, mixed>
     */
    private static function document(array $routes, string $text): array
    {
        $rows = [];
        foreach ($routes as $block => $route) {
            $chart = ['id' => $block, 'width' => 1, 'dataset' => '1', 'chart' => self::recipe('Revenue', $route)];
            $rows[] = ['id' => "r$block", 'blocks' => [$chart]];
        }
        $rows[] = ['id' => 'rt', 'blocks' => [['id' => 't', 'width' => 1, 'text' => $text]]];

        return [
            'keenMargin' => 1,
            'report' => 'Review',
            'pages' => [['id' => 'p', 'title' => 'A page', 'rows' => $rows]],
        ];
    }

    /** @param list<list<int|string|null>> $rows */
    private static function insert(\PDO $store, string $table, array $rows, string $columns, int $owner): void
    {
        $marks = implode(', ', array_fill(0, substr_count($columns, ',') + 1, '?'));
        foreach ($rows as $row) {
            $store->prepare("INSERT INTO $table ($columns) VALUES ($marks)")->execute([...$row, $owner]);
        }
    }

    /** @return list<list<string>> */
    private function rows(string $sql): array
    {
        $answer = (new \PDO("sqlite:$this->file"))->query($sql);
        \assert($answer instanceof \PDOStatement);

        /** @var list<list<string>> */
        return $answer->fetchAll(\PDO::FETCH_NUM);
    }

    private static function json(mixed $of): string
    {
        return json_encode($of, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }
}
