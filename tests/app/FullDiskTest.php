<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/**
 * A disk without room, and one that cannot be written to: said by cause and remedy, reading goes on, nothing is left
 * behind.
 */
final class FullDiskTest extends TestCase
{
    private const CSV = "Month,Route,Actual,Budget\n2026-05,North,10,11\n2026-06,North,20,21\n";

    private string $disk;
    private ?OwnServer $server = null;

    protected function setUp(): void
    {
        $this->disk = sys_get_temp_dir().'/keen-disk-'.bin2hex(random_bytes(4));
        mkdir($this->disk);
        if (!self::mount('-t', 'tmpfs', '-o', 'size=6m', 'none', $this->disk)) {
            rmdir($this->disk);
            self::markTestSkipped('Only root can make a small disk here.');
        }
    }

    protected function tearDown(): void
    {
        $this->server?->end();
        if (is_dir($this->disk)) {
            exec('umount -l '.escapeshellarg($this->disk));
            rmdir($this->disk);
        }
    }

    private static function mount(string ...$arguments): bool
    {
        exec('mount '.implode(' ', array_map(escapeshellarg(...), $arguments)).' 2>&1', $said, $code);

        return 0 === $code;
    }

    public function testAFullDisk(): void
    {
        $this->server = OwnServer::on("$this->disk/keen.sqlite");
        Server::instead($this->server, function (): void {
            $id = Kept::made(self::CSV);
            $before = Kept::bytes($id);
            $large =
                "Month,Route,Actual\n".
                implode(
                    '',
                    array_map(
                        static fn (int $i): string => '2026-0'.
                            (1 + ($i % 9)).
                            ',Route '.
                            hash('xxh128', "$i").
                            ",$i\n",
                        range(1, 60_000),
                    ),
                );
            $reading = Server::upload('large.csv', $large, $id)->text('id');
            $files = glob("$this->disk/files/*");
            $answer = Kept::change('POST', $id, '/imports', ['reading' => $reading]);
            self::assertSame(507, $answer->status, $answer->body);
            self::assertStringContainsString('is full', $answer->text('detail'));
            self::assertSame($files, glob("$this->disk/files/*"), 'nothing of the import is left');
            // To the last byte.
            $room = fopen("$this->disk/room", 'w');
            \assert(\is_resource($room));
            while (0 < (int) @fwrite($room, str_repeat('x', 4096))) {
            }
            fclose($room);
            $edits = array_map(
                static fn (int $i): int => Kept::set($id, 'North', '2026-05', (string) $i)->status,
                range(100, 160),
            );
            self::assertSame([], array_diff($edits, [200, 507]), implode(' ', $edits));
            self::assertContains(507, $edits);
            foreach (
                [
                    "/api/datasets/$id",
                    '/api/datasets',
                    '/api/charts',
                    "/api/datasets/$id/checks",
                    "/api/datasets/$id/exports/csv",
                ] as $path
            ) {
                self::assertSame(200, Server::send('GET', $path)->status, $path);
            }
            unlink("$this->disk/room");
            self::assertSame(200, Kept::set($id, 'North', '2026-05', '10')->status, 'as soon as there is room');
            self::assertSame($before, Kept::bytes($id));
        });
        file_put_contents(
            "$this->disk/large.csv",
            "Month,Route,Actual\n".
                implode(
                    '',
                    array_map(
                        static fn (int $i): string => '2026-0'.
                            (1 + ($i % 9)).
                            ',Route '.
                            hash('xxh128', "$i").
                            ",$i\n",
                        range(1, 60_000),
                    ),
                ),
        );
        [$code, , $errors] = Command::keen(
            ['import', 'More', "$this->disk/large.csv", '--new'],
            environment: ['KEEN_DATA' => "$this->disk/keen.sqlite"],
        );
        self::assertSame([2, true], [$code, str_contains($errors, 'is full')], $errors);
        self::assertSame(0, Command::keen(['check'], environment: ['KEEN_DATA' => "$this->disk/keen.sqlite"])[0]);
    }

    public function testAFolderThatCannotBeWrittenTo(): void
    {
        $server = OwnServer::on("$this->disk/keen.sqlite");
        $id = Server::instead($server, static fn (): int => Kept::made(self::CSV));
        $server->end();
        // Whoever served it has closed it; what was in the journal is in the database.
        (new \PDO("sqlite:$this->disk/keen.sqlite"))->exec('PRAGMA wal_checkpoint(TRUNCATE)');
        self::assertTrue(self::mount('-o', 'remount,ro', $this->disk));
        $this->server = OwnServer::on("$this->disk/keen.sqlite", true);
        Server::instead($this->server, static function () use ($id): void {
            self::assertSame(['2026-05' => '10', '2026-06' => '20'], Kept::row($id, 'North'));
            $answer = Kept::set($id, 'North', '2026-05', '99');
            self::assertSame(503, $answer->status, $answer->body);
            self::assertStringContainsString('cannot be written to', $answer->text('detail'));
            self::assertSame(200, Server::send('GET', "/api/datasets/$id/checks")->status);
        });
        self::assertSame(1, Command::keen(['status'], environment: ['KEEN_DATA' => "$this->disk/keen.sqlite"])[0]);
    }

    public function testADatabaseThatIsDamagedWhileItIsServed(): void
    {
        $this->server = OwnServer::on("$this->disk/keen.sqlite");
        Server::instead($this->server, function (): void {
            Kept::made(self::CSV);
            foreach (glob("$this->disk/keen.sqlite*") ?: [] as $path) {
                str_ends_with($path, 'sqlite') && file_put_contents($path, str_repeat('no database ', 4000));
                str_ends_with($path, 'sqlite') || @unlink($path);
            }
            $answer = Server::send('GET', '/api/datasets');
            self::assertSame(503, $answer->status, $answer->body);
            self::assertStringContainsString('./keen restore', $answer->text('detail'));
        });
    }
}
