<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;

/**
 * Long work: done by a process of its own, with the answer that the request would have had; stopped, killed, waited
 * for.
 */
final class JobsTest extends TestCase
{
    private static string $folder;
    private static OwnServer $server;

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/keen-jobs-'.bin2hex(random_bytes(4));
        mkdir(self::$folder);
        self::$server = OwnServer::on(self::$folder.'/keen.sqlite', more: ['KEEN_LONG_FROM' => '1000']);
    }

    public static function tearDownAfterClass(): void
    {
        self::$server->end();
        (new Filesystem())->remove(self::$folder);
    }

    /** @param callable(): void $test */
    private static function there(callable $test): void
    {
        Server::instead(self::$server, $test);
    }

    private static function csv(int $routes, int $by = 1): string
    {
        $csv = "Month,Route,Actual\n";
        foreach (range(1, $routes) as $route) {
            foreach (['01', '02', '03', '04'] as $month) {
                $csv .= "2026-$month,Route $route,".$route * $by."\n";
            }
        }

        return $csv;
    }

    /** Waits for the job that was answered. */
    private static function ended(Answer $accepted): Answer
    {
        self::assertSame(202, $accepted->status, $accepted->body);
        self::assertSame('/api/jobs/'.$accepted->text('job', 'id'), $accepted->header('Location'));
        for ($i = 0; $i < 600; ++$i) {
            $job = Server::send('GET', $accepted->header('Location'));
            self::assertSame(200, $job->status, $job->body);
            if ('ended' === $job->text('state')) {
                return $job;
            }
            usleep(50_000);
        }
        self::fail('The job does not end: '.$job->body);
    }

    private static function made(string $csv): int
    {
        $reading = Server::upload('ledger.csv', $csv)->text('id');
        $job = self::ended(Server::send('POST', '/api/datasets', ['reading' => $reading, 'name' => 'Long']));
        self::assertSame(201, $job->int('status'), $job->body);

        return $job->int('answer', 'id');
    }

    private static function exported(int $id): string
    {
        $job = self::ended(Server::send('GET', "/api/datasets/$id/exports/csv"));
        $file = Server::send('GET', $job->text('file'));
        self::assertStringContainsString('filename=long.csv', $file->header('Content-Disposition'));

        return $file->body;
    }

    /** Whoever asks for a question that is under way gets the job that there is. */
    public function testTheSameQuestionIsOneJobWhileItIsUnderWay(): void
    {
        self::there(static function (): void {
            $id = self::made(self::csv(800));
            $recipe = Server::send('GET', "/api/datasets/$id")->at('firstRecipe');
            $block = ['id' => 'c', 'dataset' => (string) $id, 'chart' => $recipe];
            $blocks = array_map(static fn (int $i): array => ['id' => "c$i"] + $block, range(1, 4));
            $document = [
                'keenMargin' => 1,
                'report' => 'Long',
                'pages' => [['id' => 'a', 'title' => 'A', 'rows' => [['id' => 'r', 'blocks' => $blocks]]]],
            ];
            $report = Server::send('POST', '/api/reports', ['title' => 'Long', 'document' => $document])->int('id');
            self::assertGreaterThan(0, $report);
            $ask = static fn (): Answer => Server::send('GET', "/api/reports/$report/findings");
            [$first, $second] = [$ask(), $ask()];
            self::assertSame(202, $first->status, $first->body);
            self::assertSame($first->text('job', 'id'), $second->text('job', 'id'));
            self::assertSame(200, self::ended($first)->int('status'));
            self::assertNotSame($first->text('job', 'id'), $ask()->text('job', 'id'));
        });
    }

    public function testEveryLongWorkIsDoneAndAnswered(): void
    {
        self::there(static function (): void {
            $id = self::made(self::csv(800));
            $bytes = self::exported($id);
            self::assertSame(3201, substr_count($bytes, "\n"));
            $reading = Server::upload('ledger.csv', self::csv(900, 2), $id)->text('id');
            $trial = self::ended(
                Server::send('POST', "/api/readings/$reading/trials", ['mapping' => (object) [], 'dataset' => $id]),
            );
            self::assertSame(
                [200, 400, 3200],
                [
                    $trial->int('status'),
                    $trial->int('answer', 'counts', 'added'),
                    $trial->int('answer', 'counts', 'replaced'),
                ],
            );
            $import = self::ended(Kept::change('POST', $id, '/imports', ['reading' => $reading]));
            self::assertSame(
                [201, 3200],
                [$import->int('status'), $import->int('answer', 'import', 'counts', 'replaced')],
                $import->body,
            );
            $copy = self::ended(Server::send('POST', "/api/datasets/$id/copies", ['a' => 1]));
            self::assertSame([201, 'Long (copy)'], [$copy->int('status'), $copy->text('answer', 'name')]);
            $back = self::ended(
                Server::send('POST', '/api/imports/'.$import->int('answer', 'import', 'id').'/take-back', [
                    'confirmed' => false,
                ]),
            );
            self::assertSame(
                [200, 3200], [$back->int('status'), $back->int('answer', 'done', 'restored')], $back->body,
            );
            self::assertSame($bytes, self::exported($id));
            $again = Server::send('POST', '/api/imports/'.$import->int('answer', 'import', 'id').'/take-back', [
                'confirmed' => false,
            ]);
            self::assertSame(409, $again->status, 'what is refused is refused at once');
        });
    }

    public function testARefusalIsTheAnswerOfTheJob(): void
    {
        self::there(static function (): void {
            $reading = Server::upload('ledger.csv', self::csv(800)."2026-05,Route 1,abc\n")->text('id');
            $job = self::ended(Server::send('POST', '/api/datasets', ['reading' => $reading, 'name' => 'Long']));
            self::assertSame(422, $job->int('status'));
            self::assertStringContainsString('abc', json_encode($job->at('answer'), \JSON_THROW_ON_ERROR));
        });
    }

    public function testItIsStoppedAndNothingIsChanged(): void
    {
        self::there(static function (): void {
            $id = self::made(self::csv(900));
            $before = self::exported($id);
            $reading = Server::upload('ledger.csv', self::csv(1200, 3), $id)->text('id');
            // Somebody else writes, so that the job is still waiting for its turn when it is stopped.
            $other = new \PDO('sqlite:'.self::$folder.'/keen.sqlite');
            $other->exec('BEGIN IMMEDIATE');
            $accepted = Kept::change('POST', $id, '/imports', ['reading' => $reading]);
            self::assertSame(204, Server::send('DELETE', $accepted->header('Location'))->status);
            usleep(300_000);
            $other->exec('ROLLBACK');
            $job = self::ended($accepted);
            self::assertSame(
                [409, true],
                [$job->int('status'), str_contains($job->text('answer', 'detail'), 'Nothing was')],
                $job->body,
            );
            self::assertSame($before, self::exported($id));
        });
    }

    public function testAKilledOneIsKnownAsSuch(): void
    {
        self::there(static function (): void {
            $id = self::made(self::csv(900));
            $before = self::exported($id);
            $reading = Server::upload('ledger.csv', self::csv(1200, 3), $id)->text('id');
            $other = new \PDO('sqlite:'.self::$folder.'/keen.sqlite');
            $other->exec('BEGIN IMMEDIATE');
            $accepted = Kept::change('POST', $id, '/imports', ['reading' => $reading]);
            $name = $accepted->text('job', 'id');
            for ($i = 0; $i < 100 && 'working' !== Server::send('GET', "/api/jobs/$name")->text('state'); ++$i) {
                usleep(50_000);
            }
            foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $command) {
                if (str_contains((string) @file_get_contents($command), $name)) {
                    posix_kill((int) basename(\dirname($command)), \SIGKILL);
                }
            }
            $other->exec('ROLLBACK');
            $job = self::ended($accepted);
            self::assertSame(503, $job->int('status'), $job->body);
            self::assertStringContainsString('It was interrupted', $job->text('answer', 'detail'));
            self::assertSame($before, self::exported($id));
        });
    }

    public function testItOutlivesTheServer(): void
    {
        $folder = self::$folder.'/other';
        mkdir($folder);
        $server = OwnServer::on("$folder/keen.sqlite", more: ['KEEN_LONG_FROM' => '1000']);
        $accepted = Server::instead($server, static function () use ($folder): Answer {
            $other = new \PDO("sqlite:$folder/keen.sqlite");
            $reading = Server::upload('ledger.csv', self::csv(800))->text('id');
            $other->exec('BEGIN IMMEDIATE');

            return Server::send('POST', '/api/datasets', ['reading' => $reading, 'name' => 'Long']);
        });
        $server->end();
        $again = OwnServer::on("$folder/keen.sqlite", true);
        Server::instead($again, static function () use ($accepted): void {
            self::assertSame(201, self::ended($accepted)->int('status'));
            self::assertSame(1, Server::send('GET', '/api/datasets')->int('total'));
        });
        $again->end();
    }

    public function testThereIsNoSuchJob(): void
    {
        self::there(static function (): void {
            foreach (
                ['/api/jobs/'.str_repeat('a', 24), '/api/jobs/'.str_repeat('a', 24).'/file', '/api/jobs/..'] as $path
            ) {
                self::assertContains(Server::send('GET', $path)->status, [400, 404]);
            }
        });
    }
}
