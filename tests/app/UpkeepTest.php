<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\App\Storage\Upkeep\Soundness;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;

/** `./keen backup`, `restore`, `check`, `status` and `tidy`, as they are typed, on figures that came in over HTTP. */
final class UpkeepTest extends TestCase
{
    private const CSV = "Month,Route,Actual,Budget\n2026-05,North,10,11\n2026-06,North,20.5,21\n2026-07,Holm,5,6\n";

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/keen-upkeep-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    /** @return array{int, string} how it ended, and all that it said */
    private static function keen(string $database, string ...$arguments): array
    {
        [$code, $output, $errors] = Command::keen(array_values($arguments), environment: ['KEEN_DATA' => $database]);

        return [$code, $output.$errors];
    }

    private function restored(string $from = ''): string
    {
        $database = "$this->folder/own/keen.sqlite";
        $backup = "$this->folder/backup";
        [$code, $says] = self::keen('' === $from ? Server::file() : $from, 'backup', '-o', $backup);
        self::assertSame(0, $code, $says);
        [$code, $says] = self::keen($database, 'restore', $backup);
        self::assertSame(0, $code, $says);

        return $database;
    }

    public function testABackupComesBackFigureByFigure(): void
    {
        $id = Kept::made(self::CSV);
        Kept::set($id, 'North', '2026-06', '21.75', who: 'Ada');
        $database = $this->restored();
        self::assertSame([0, 'All is sound.'], self::last(self::keen($database, 'check')));
        self::assertSame(self::figures(Server::file()), self::figures($database));
        self::assertNotSame([], glob("$this->folder/own/files/*"), 'with the files that they came from');
        self::assertSame([], glob("$this->folder/*.{part,database}", \GLOB_BRACE), 'and nothing is left beside');
    }

    public function testNothingIsRestoredOverFiguresUnasked(): void
    {
        Kept::made(self::CSV);
        $database = $this->restored();
        $before = self::figures($database);
        [$code, $says] = self::keen($database, 'restore', "$this->folder/backup");
        self::assertSame(2, $code);
        self::assertStringContainsString('There are figures in', $says);
        Kept::made(self::CSV);
        self::assertSame(0, self::keen(Server::file(), 'backup', '-o', "$this->folder/later")[0]);
        [$code, $says] = self::keen($database, 'restore', "$this->folder/later", '--replace');
        self::assertSame(0, $code, $says);
        self::assertNotSame($before, self::figures($database));
        $beside = glob("$this->folder/own/before-*/keen.sqlite") ?: [];
        self::assertCount(1, $beside);
        self::assertSame($before, self::figures($beside[0]), 'what was there lies beside');
        $lock = fopen("$database.serving", 'c');
        \assert(\is_resource($lock));
        flock($lock, \LOCK_SH);
        [$code, $says] = self::keen($database, 'restore', "$this->folder/later", '--replace');
        self::assertSame([2, true], [$code, str_contains($says, 'running on these figures')], $says);
        fclose($lock);
    }

    /** What was loaded before a restoration meets no version of its own after it, nor a number that was given. */
    public function testCountersGoOnAfterARestoration(): void
    {
        $id = Kept::made(self::CSV);
        $database = $this->restored();
        $versions = static function () use ($database, $id): array {
            $rows = Soundness::opened($database)->query("SELECT version, revision FROM dataset WHERE id = $id");

            return false === $rows ? [] : (array) $rows->fetch(\PDO::FETCH_NUM);
        };
        $first = $versions();
        $made = Soundness::opened($database);
        $made->exec("INSERT INTO report (version, title, document, saved_at, used_at) VALUES (1, 'x', '{}', '', '')");
        $given = (int) $made->lastInsertId();
        unset($made);
        self::assertSame(0, self::keen($database, 'restore', "$this->folder/backup", '--replace')[0]);
        $second = $versions();
        self::assertGreaterThan($first[0], $second[0]);
        self::assertGreaterThan($first[1], $second[1]);
        self::assertLessThan(2 ** 53, $second[0], 'exact in a page, too');
        $made = Soundness::opened($database);
        $made->exec("INSERT INTO report (version, title, document, saved_at, used_at) VALUES (1, 'y', '{}', '', '')");
        self::assertGreaterThan($given, (int) $made->lastInsertId());
        self::assertSame([0, 'All is sound.'], self::last(self::keen($database, 'check')));
    }

    public function testABackupOfALaterVersionIsNeitherRestoredNorServed(): void
    {
        Kept::made(self::CSV);
        $database = $this->restored();
        Soundness::opened($database)->exec(
            'INSERT INTO doctrine_migration_versions (version) VALUES '.
                "('KeenMargin\\Migrations\\Version29991231000000')",
        );
        self::assertSame(0, self::keen($database, 'backup', '-o', "$this->folder/later")[0]);
        [$code, $says] = self::keen("$this->folder/new/keen.sqlite", 'restore', "$this->folder/later");
        self::assertSame([2, true], [$code, str_contains($says, 'a later version of Keen Margin')], $says);
        self::assertSame([], glob("$this->folder/new/{*,.[a-z]*}", \GLOB_BRACE), 'nothing is left');
        [$code, $says] = self::keen($database, 'check');
        self::assertSame([1, true], [$code, str_contains($says, 'a later version of Keen Margin')], $says);
        [$code, $says] = self::keen($database, 'serve', '--port', '8059');
        self::assertSame([2, true], [$code, str_contains($says, 'a later version of Keen Margin')], $says);
    }

    public function testADamagedFileThatLiesThereGivesWayToThatOfTheBackup(): void
    {
        Kept::made(self::CSV);
        $database = $this->restored();
        $file = (glob("$this->folder/own/files/*") ?: [''])[0];
        $bytes = file_get_contents($file);
        // Beside another database the files stay where they are.
        copy($database, "$this->folder/own/another.db");
        file_put_contents($file, 'something else');
        self::assertSame(0, self::keen($database, 'restore', "$this->folder/backup", '--replace')[0]);
        self::assertSame($bytes, file_get_contents($file));
    }

    public function testADamagedBackupIsRefusedWhole(): void
    {
        Kept::made(self::CSV);
        $this->restored();
        $backup = "$this->folder/backup";
        $bytes = (string) file_get_contents($backup);
        $zip = new \ZipArchive();
        $refused = [
            'not a backup' => 'hello',
            'cut short' => substr($bytes, 0, 2000),
            'a byte changed' => substr_replace($bytes, \chr(255 ^ \ord($bytes[1500])), 1500, 1),
        ];
        copy($backup, "$this->folder/other");
        $zip->open("$this->folder/other");
        $zip->addFromString('keen.sqlite', 'another database');
        $zip->close();
        $refused['another content'] = (string) file_get_contents("$this->folder/other");
        $zip->open("$this->folder/other");
        $zip->addFromString(
            'manifest.json',
            '{"keenMarginBackup":1,"entries":{"keen.sqlite":{"bytes":16,"sha256":""},'.
                '"../../evil":{"bytes":1,"sha256":""}}}',
        );
        $zip->close();
        $refused['a path that leads out'] = (string) file_get_contents("$this->folder/other");
        foreach ($refused as $what => $content) {
            file_put_contents("$this->folder/bad", $content);
            [$code, $says] = self::keen("$this->folder/new/keen.sqlite", 'restore', "$this->folder/bad");
            self::assertSame(2, $code, "$what: $says");
            self::assertFileDoesNotExist("$this->folder/new/keen.sqlite", $what);
        }
        self::assertSame(2, self::keen("$this->folder/nothing/keen.sqlite", 'backup', '-o', "$this->folder/x")[0]);
        self::assertSame(2, self::keen(Server::file(), 'backup', '-o', "$this->folder/no/such/folder/x")[0]);
    }

    /** @return iterable<string, array{string, string}> what breaks it, and what the check says */
    public static function broken(): iterable
    {
        yield 'an amount that is in no total' => [
            "UPDATE packed SET amounts = substr(amounts, 1, 8) || x'0100000000000000' || substr(amounts, 17) WHERE ".
            'series = (SELECT MIN(series) FROM packed)',
            'is not the sum of its amounts',
        ];
        yield 'bytes that are no amounts' => [
            "UPDATE packed SET amounts = x'01' WHERE series = (SELECT MIN(series) FROM packed)",
            'bytes that are no amounts',
        ];
        yield 'an amount from nowhere' => [
            "UPDATE packed SET imports = x'ffffffff00000000' WHERE series = (SELECT MIN(series) FROM packed)",
            'an import that is not there',
        ];
        yield 'a month that is not covered' => [
            "UPDATE dataset SET coverage = '{\"AC\":[1]}'", 'the periods that it says it covers',
        ];
        yield 'a count' => ['UPDATE dataset SET fact_count = fact_count + 1', 'it says that it has'];
        yield 'a total of nothing' => [
            'INSERT INTO series_total SELECT dataset, place, member, measure, 5, amounts, counts FROM series_total '.
            'LIMIT 1',
            'amounts that are not there',
        ];
        yield 'a member of another breakdown' => ['UPDATE series SET m0 = 99999 + id', 'refer to members'];
        yield 'a dataset that is gone' => ['PRAGMA foreign_keys = OFF; DELETE FROM measure', 'refer to measures'];
    }

    #[DataProvider('broken')]
    public function testWhatIsNotSoundIsFound(string $sql, string $says): void
    {
        Kept::made(self::CSV);
        $database = $this->restored();
        (new \PDO("sqlite:$database"))->exec($sql);
        [$code, $told] = self::keen($database, 'check');
        self::assertSame(1, $code, $told);
        self::assertStringContainsString($says, $told);
    }

    public function testAChangedFileIsNoticedAndAMissingOne(): void
    {
        $id = Kept::made(str_replace('Holm', 'Holm '.bin2hex(random_bytes(4)), self::CSV));
        self::assertGreaterThan(0, $id);
        $database = $this->restored();
        $files = glob("$this->folder/own/files/*") ?: [];
        file_put_contents($files[0], 'x', \FILE_APPEND);
        self::assertStringContainsString('does not hold what it held', self::keen($database, 'check')[1]);
        unlink($files[0]);
        self::assertStringContainsString('is not there', self::keen($database, 'check')[1]);
    }

    public function testARowOfAChangedFileIsNotShown(): void
    {
        $id = Kept::made("Month,Route,Actual\n2026-05,Only here ".bin2hex(random_bytes(4)).",10\n");
        $names = (new \PDO('sqlite:'.Server::file()))->query("SELECT kept_file FROM import WHERE dataset_id = $id");
        \assert(false !== $names);
        $path = \dirname(Server::file()).'/files/'.$names->fetchColumn();
        $ask = static fn (): Answer => Server::send('POST', "/api/datasets/$id/sources", [
            'measure' => 'Amount',
            'scenario' => 'AC',
        ]);
        self::assertCount(1, (array) $ask()->at('files', 0, 'rows'), $ask()->body);
        $bytes = (string) file_get_contents($path);
        file_put_contents($path, strtr($bytes, '1', '9'));
        self::assertSame([], $ask()->at('files', 0, 'rows'));
        self::assertStringContainsString('was changed after it came in', $ask()->text('files', 0, 'says'));
        file_put_contents($path, $bytes);
    }

    public function testAFileThatIsNoDatabaseIsSaidInOneLine(): void
    {
        $database = "$this->folder/keen.sqlite";
        file_put_contents($database, str_repeat('no database ', 200));
        [$code, $says] = self::keen($database, 'check');
        self::assertSame([1, true], [$code, str_contains($says, 'not a database')], $says);
        [$code, $says] = self::keen($database, 'serve', '--port', '8059');
        self::assertSame(2, $code, $says);
        self::assertStringContainsString('it is damaged, or no database of Keen Margin', $says);
        self::assertStringStartsWith('no database', (string) file_get_contents($database), 'as it was');
    }

    public function testWhatHasOutlivedItsTimeGoes(): void
    {
        [$kept, $deleted] = [
            Kept::made(self::CSV), Kept::made("Month,Route,Actual\n2026-05,Gone,1\n", file: 'gone.csv'),
        ];
        Server::send('DELETE', "/api/datasets/$deleted", null, [
            'If-Match' => Server::send('GET', "/api/datasets/$deleted")->header('ETag'),
        ]);
        Kept::set($kept, 'North', '2026-05', '12');
        $database = $this->restored();
        $own = new \PDO("sqlite:$database");
        $own->exec(
            "UPDATE dataset SET deleted_at = '2026-01-01 00:00:00' WHERE id ".
                "= $deleted; UPDATE dataset_change SET at = '2026-01-01T00:00:00+00:00'",
        );
        $figures = self::figures($database, $kept);
        $files = \count(glob("$this->folder/own/files/*") ?: []);
        file_put_contents("$this->folder/own/files/abc-3", 'xyz');
        file_put_contents("$this->folder/own/files/abc-3.999999.part", 'x');
        [$code, $says] = self::keen($database, 'tidy');
        self::assertSame(0, $code, $says);
        self::assertMatchesRegularExpression('/1 dataset deleted more than 30 days ago/', $says);
        self::assertMatchesRegularExpression('/\d+ steps? that/', $says);
        self::assertSame($figures, self::figures($database, $kept));
        self::assertSame([], self::figures($database, $deleted));
        self::assertLessThanOrEqual(
            $files,
            \count(glob("$this->folder/own/files/*") ?: []),
            'files that no import refers to go',
        );
        self::assertFileDoesNotExist("$this->folder/own/files/abc-3");
        self::assertSame([0, 'All is sound.'], self::last(self::keen($database, 'check')));
        self::assertStringContainsString('There is nothing to remove.', self::keen($database, 'tidy')[1]);
        [$code, $says] = self::keen($database, 'status');
        self::assertSame(0, $code);
        self::assertMatchesRegularExpression('/[\d.]+ [kM]B  files that figures came from/', $says);
    }

    /** Whatever it is called: its imports may refer to the same files. */
    public function testFilesOfAnotherDatabaseBesideAreLeftAlone(): void
    {
        Kept::made(self::CSV);
        $database = $this->restored();
        copy($database, "$this->folder/own/another.db");
        file_put_contents("$this->folder/own/files/abc-3", 'xyz');
        self::assertSame(0, self::keen($database, 'tidy')[0]);
        self::assertFileExists("$this->folder/own/files/abc-3");
        unlink("$this->folder/own/another.db");
        self::assertSame(0, self::keen($database, 'tidy')[0]);
        self::assertFileDoesNotExist("$this->folder/own/files/abc-3");
    }

    public function testWrongWordsAreNamed(): void
    {
        $wrong = [
            ['backup'], ['backup', '-o'], ['restore'], ['check', 'now'], ['status', '--all'], ['restore', 'a', 'b'],
        ];
        foreach ($wrong as $arguments) {
            [$code, $says] = self::keen("$this->folder/keen.sqlite", ...$arguments);
            self::assertSame(2, $code, implode(' ', $arguments).": $says");
            self::assertStringContainsString('--help', $says);
        }
    }

    /** @return list<list<mixed>> every amount of a database, or of one dataset in it */
    private static function figures(string $database, ?int $dataset = null): array
    {
        $rows = Soundness::opened($database)->query(
            'SELECT s.dataset, s.measure, s.scenario, s.m0, hex(p.amounts), hex(p.imports) FROM series s JOIN packed '.
                'p ON p.series = s.id'.
                (null === $dataset ? '' : " WHERE s.dataset = $dataset").
                ' ORDER BY s.id',
            \PDO::FETCH_NUM,
        );

        /** @var list<list<mixed>> */
        return false === $rows ? [] : $rows->fetchAll();
    }

    /**
     * @param array{int, string} $told
     *
     * @return array{int, string} how it ended, and its last line
     */
    private static function last(array $told): array
    {
        $lines = explode("\n", trim($told[1]));

        return [$told[0], end($lines)];
    }
}
