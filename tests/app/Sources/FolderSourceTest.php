<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\App\Sources\Kind\FolderKind;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\TestCase;

/** Files that others put into a folder: the newest is read, each once, none is moved, none is read half written. */
final class FolderSourceTest extends TestCase
{
    private const OWN = "Month,Route,Actual\n2026-06,North,10\n2026-07,North,20\n";

    private SourceHouse $house;

    protected function setUp(): void
    {
        $this->house = SourceHouse::open();
    }

    protected function tearDown(): void
    {
        $this->house->close();
    }

    private function put(string $name, string $text, int $secondsAgo = FolderKind::SETTLED_AFTER + 5): void
    {
        $path = $this->house->folder."/share/$name";
        file_put_contents($path, $text);
        touch($path, time() - $secondsAgo);
    }

    /** @return array<string, mixed> */
    private function source(string $pattern): array
    {
        return ['kind' => 'folder', 'settings' => ['folder' => $this->house->folder.'/share', 'pattern' => $pattern]];
    }

    public function testTheNewestFileThatMatchesIsReadOnce(): void
    {
        $this->house->in(function (): void {
            $id = Kept::made(self::OWN);
            $this->put('fares-06.csv', "Month,Route,Actual\n2026-06,North,10\n", 900);
            $this->put('fares-07.csv', "Month,Route,Actual\n2026-07,North,20\n2026-08,North,30\n", 600);
            $this->put('other.csv', "Month,Route,Actual\n2026-08,North,99\n");
            $this->put('fares-08.csv.part', 'half');
            $source = SourceHouse::kept($id, $this->source('fares-*.csv'), ['takes' => 'new periods']);
            self::assertSame('taken', SourceHouse::fetch($source)->text('outcome'));
            self::assertStringContainsString(
                '2026-08,AC,Actual,,North,30', strtr(Kept::csv($id), ['Amount' => 'Actual']),
            );
            self::assertSame('nothing new', SourceHouse::fetch($source)->text('outcome'));
            self::assertFileExists($this->house->folder.'/share/fares-07.csv');
            // Each file waits by itself: one of August does not take the place of one of July.
            $this->put('fares-09.csv', "Month;Route;Actual\n2026-07;North;21,5\n", 300);
            self::assertSame('waits', SourceHouse::fetch($source)->text('outcome'));
            $this->put('fares-10.csv', "Month,Route,Actual\n2026-06,North,11\n", 200);
            self::assertSame('waits', SourceHouse::fetch($source)->text('outcome'));
            self::assertCount(2, SourceHouse::waiting($id));
        });
    }

    public function testAFileThatIsStillBeingWrittenIsWaitedFor(): void
    {
        $this->house->in(function (): void {
            $id = Kept::made(self::OWN);
            $this->put('fares.csv', self::OWN, 900);
            $source = SourceHouse::kept($id, $this->source('fares.csv'), ['takes' => 'new periods']);
            $this->put('fares.csv', self::OWN.'2026-08,Nor', 0);
            $done = SourceHouse::fetch($source);
            self::assertSame('failed', $done->text('outcome'));
            self::assertStringContainsString('still being written', $done->text('source', 'says'));
            $this->put('fares.csv', self::OWN."2026-08,North,30\n");
            self::assertSame('taken', SourceHouse::fetch($source)->text('outcome'));
            self::assertSame(0, $done->int('source', 'waiting'));
        });
    }

    public function testAFolderThatIsNotAllowedIsRefusedWithTheWayToAllowIt(): void
    {
        $this->house->in(function (): void {
            $id = Kept::made(self::OWN);
            $told = ['kind' => 'folder', 'settings' => ['folder' => '/etc', 'pattern' => '*'], 'dataset' => $id];
            $look = Server::send('POST', '/api/sources/looks', $told);
            self::assertSame([403, true], [$look->status, str_contains($look->text('detail'), 'KEEN_FOLDERS')]);
            $up = $this->source('../house.sqlite') + ['dataset' => $id];
            self::assertSame(422, Server::send('POST', '/api/sources/looks', $up)->status);
            symlink('/etc/passwd', $this->house->folder.'/share/link.csv');
            $link = $this->source('link.csv') + ['dataset' => $id];
            self::assertSame(403, Server::send('POST', '/api/sources/looks', $link)->status);
        });
    }
}
