<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\Core\Figures\Series\PackedAmounts;
use PHPUnit\Framework\TestCase;

/** Schema changes run on a full database, and nothing of it is lost. */
final class MigrationTest extends TestCase
{
    private string $file;

    protected function setUp(): void
    {
        $this->file = sys_get_temp_dir().'/keen-migration-'.bin2hex(random_bytes(4)).'.sqlite';
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob($this->file.'*') ?: []);
    }

    public function testFiguresARowEachBecomeSeries(): void
    {
        Migrated::to('KeenMargin\Migrations\Version20261124000000', $this->file);
        $database = new \PDO("sqlite:$this->file");
        $database->exec(
            'INSERT INTO dataset (id, version, used_at, fact_count, name, organisation, grain, first_month, '.
                "coverage, notices) VALUES (1, 1, '2026-11-24 00:00:00', 0, 'Old', '', 'month', 1, ".
                "'{\"AC\":[24312,24313]}', '[]')",
        );
        $database->exec(
            "INSERT INTO measure (id, position, name, unit, scale, grouping, dataset_id) VALUES (1, 0, 'Fuel', ".
                "'EUR', 2, 'sum', 1)",
        );
        $database->exec("INSERT INTO breakdown (id, position, name, dataset_id) VALUES (1, 0, 'Route', 1)");
        $database->exec(
            "INSERT INTO member (id, position, name, breakdown_id) VALUES (1, 0, 'North', 1), (2, 1, 'Holm', 1)",
        );
        $database->exec(
            'INSERT INTO import (id, at, name, digest, row_count, fact_count, mapping, dataset_id) VALUES (1, '.
                "'2026-11-24 00:00:00', 'a.csv', 'x', 3, 3, '{}', 1), (2, '2026-11-24 00:00:00', 'b.csv', 'y', 1, ".
                "1, '{}', 1)",
        );
        foreach ([[24312, 1, 30210, 1], [24313, 1, -5, 2], [24312, 2, 20, 1]] as [$period, $member, $amount, $import]) {
            $database->exec(
                "INSERT INTO fact VALUES (1, 1, 1, $period, $member, 0, 0, 0, 0, 0, 0, 0, $amount, $import)",
            );
        }
        $database->exec(
            'INSERT INTO fact_total SELECT dataset, measure, scenario, period, SUM(amount), COUNT(*) FROM fact GROUP '.
                'BY 1, 2, 3, 4',
        );
        unset($database);

        Migrated::to('latest', $this->file);
        $database = new \PDO("sqlite:$this->file");
        $packed = self::rows(
            $database, 'SELECT s.m0, p.amounts, p.imports FROM series s JOIN packed p ON p.series = s.id ORDER BY s.m0',
        );
        self::assertSame(
            [[1, [24312 => 30210, 24313 => -5], [24312 => 1, 24313 => 2]], [2, [24312 => 20], pack('q', 1)]],
            array_map(
                static fn (array $row): array => [
                    $row[0],
                    PackedAmounts::unpack((string) $row[1]),
                    8 === \strlen((string) $row[2]) ? $row[2] : PackedAmounts::unpack((string) $row[2]),
                ],
                $packed,
            ),
        );
        $total = self::rows($database, 'SELECT amounts, counts FROM series_total')[0];
        self::assertSame(
            [[24312 => 30230, 24313 => -5], [24312 => 2, 24313 => 1]],
            [PackedAmounts::unpack((string) $total[0]), PackedAmounts::unpack((string) $total[1])],
        );
        self::assertSame(
            [['a.csv', 'add'], ['b.csv', 'add']], self::rows($database, 'SELECT name, mode FROM import ORDER BY id'),
        );
        self::assertSame([], self::rows($database, 'PRAGMA foreign_key_check'));
    }

    /** Of two that bore one name the later one is told apart; its figures stay. */
    public function testNamesBecomeUnique(): void
    {
        Migrated::to('KeenMargin\Migrations\Version20261128000000', $this->file);
        $database = new \PDO("sqlite:$this->file");
        $database->exec(
            'INSERT INTO dataset (id, version, used_at, fact_count, name, organisation, grain, first_month, '.
                "coverage, notices) VALUES (1, 1, '2026-11-24 00:00:00', 0, 'Old', '', 'month', 1, '{}', '[]')",
        );
        $database->exec(
            "INSERT INTO breakdown (id, position, name, dataset_id) VALUES (1, 0, 'Route', 1), (2, 1, 'Ship', 1)",
        );
        $database->exec(
            "INSERT INTO member (id, position, name, breakdown_id) VALUES (1, 0, 'North', 1), (2, 1, 'North', 1), ".
                "(3, 0, 'North', 2), (4, 2, 'North', 1)",
        );
        unset($database);
        Migrated::to('latest', $this->file);
        $database = new \PDO("sqlite:$this->file");
        self::assertSame(
            [['North'], ['North (2)'], ['North'], ['North (4)']],
            self::rows($database, 'SELECT name FROM member ORDER BY id'),
        );
        $this->expectException(\PDOException::class);
        $database->exec("INSERT INTO member (position, name, breakdown_id) VALUES (5, 'North', 2)");
    }

    /**
     * What adds a row belongs to the question; nothing else of a recipe becomes another, and the way back leads back.
     */
    public function testTheLandingMovesToTheQuestionAndBack(): void
    {
        Migrated::to('KeenMargin\Migrations\Version20261129000000', $this->file);
        $database = new \PDO("sqlite:$this->file");
        $database->exec(
            'INSERT INTO dataset (id, version, used_at, fact_count, name, organisation, grain, first_month, '.
                "coverage, notices) VALUES (1, 1, '2026-11-24 00:00:00', 0, 'Old', '', 'month', 1, '{}', '[]')",
        );
        $before = [
            '{"keenMargin":1,"question":{"by":"month"},"kind":"variance-tiers","finish":'.
            '{"landing":true,"notes":false}}',
            '{"keenMargin":1,"question":{},"kind":"variance-tiers","finish":{"landing":false}}',
            '{"keenMargin":1,"question":{},"kind":"hat","finish":{"message":{"text":"Ä/b","numbers":[]}}}',
            'no recipe',
        ];
        $add = $database->prepare(
            'INSERT INTO chart (id, version, name, saved_at, recipe, dataset_id) '.
                "VALUES (?, 1, ?, '2026-11-24 00:00:00', ?, 1)",
        );
        foreach ($before as $i => $recipe) {
            $add->execute([$i + 1, "Chart $i", $recipe]);
        }
        unset($database, $add);

        Migrated::to('latest', $this->file);
        $recipes = 'SELECT recipe FROM chart ORDER BY id';
        self::assertSame(
            [
                '{"keenMargin":1,"question":{"by":"month","landing":true},"kind":"variance-tiers","finish":'.
                '{"notes":false}}',
                '{"keenMargin":1,"question":{},"kind":"variance-tiers","finish":{}}',
                $before[2],
                $before[3],
            ],
            array_column(self::rows(new \PDO("sqlite:$this->file"), $recipes), 0),
        );

        Migrated::to('KeenMargin\Migrations\Version20261129000000', $this->file);
        self::assertSame(
            [
                '{"keenMargin":1,"question":{"by":"month"},"kind":"variance-tiers","finish":'.
                '{"notes":false,"landing":true}}',
                '{"keenMargin":1,"question":{},"kind":"variance-tiers","finish":{}}',
                $before[2],
                $before[3],
            ],
            array_column(self::rows(new \PDO("sqlite:$this->file"), $recipes), 0),
        );
    }

    /** PDFs of issued reports stand beside other files of theirs, and come back. */
    public function testFilesOfIssuesMoveToATableOfTheirOwnAndBack(): void
    {
        Migrated::to('KeenMargin\Migrations\Version20261204000000', $this->file);
        $database = new \PDO("sqlite:$this->file");
        $database->exec(
            "INSERT INTO report (id, version, title, document, saved_at, used_at) VALUES (1, 1, 'Old', '{}', ".
                "'2026-11-24 00:00:00', '2026-11-24 00:00:00')",
        );
        $database->exec(
            'INSERT INTO report_issue (id, report, number, title, closing, at, who, document, snapshot, pages, '.
                "sources, pdf) VALUES (7, 1, 1, 'Old', 'Jul 2026', '2026-11-24', 'Ida', '{}', '{}', '[]', '[]', ".
                "x'25504446')",
        );
        unset($database);
        Migrated::to('latest', $this->file);
        $files = self::rows(new \PDO("sqlite:$this->file"), 'SELECT issue, format, hex(bytes) FROM issue_file');
        self::assertSame([[7, 'pdf', '25504446']], $files);
        Migrated::to('KeenMargin\Migrations\Version20261204000000', $this->file);
        $issues = self::rows(new \PDO("sqlite:$this->file"), 'SELECT id, closing, hex(pdf) FROM report_issue');
        self::assertSame([[7, 'Jul 2026', '25504446']], $issues);
    }

    /** @return list<list<int|string|null>> */
    private static function rows(\PDO $database, string $sql): array
    {
        $answer = $database->query($sql);
        \assert($answer instanceof \PDOStatement);

        /** @var list<list<int|string|null>> */
        return $answer->fetchAll(\PDO::FETCH_NUM);
    }
}
