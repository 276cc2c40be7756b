<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\Tests\app\Answer;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** Figures read from PostgreSQL, MariaDB and SQLite: streamed, with parameters, and never anything but read. */
#[Group('alone')]
final class DatabaseSourceTest extends TestCase
{
    private const ROWS = "('2026-07-31', 'North', 1234567890123.45), ('2026-08-02', 'North', 10.05), "
        ."('2026-08-09', 'North', 0.10), ('2026-08-09', 'Holm, \"east\"', 7.00), ('2026-08-30', 'Skerry', -3.25)";
    private const OWN = "Day,Route,Fares\n2026-07-31,North,5\n";
    private const QUERY = 'SELECT day AS "Day", route AS "Route", fares AS "Fares" FROM fares '
        .'WHERE day BETWEEN :from AND :to';

    /** @var array<string, DatabaseServer> */
    private static array $servers;
    private static SourceHouse $house;

    public static function setUpBeforeClass(): void
    {
        self::$servers = ['postgresql' => DatabaseServer::postgreSql(), 'mariadb' => DatabaseServer::mariaDb()];
        foreach (self::$servers as $server) {
            $server->admin->exec('CREATE TABLE fares (day DATE, route VARCHAR(40), fares NUMERIC(20, 2))');
            $server->admin->exec('INSERT INTO fares VALUES '.self::ROWS);
            $server->admin->exec('CREATE TABLE untouched (a INT)');
            $server->admin->exec('INSERT INTO untouched VALUES (1)');
        }
        self::$servers['postgresql']->admin->exec('GRANT ALL ON fares, untouched TO reader');
        $ports = array_map(static fn (DatabaseServer $server): string => "127.0.0.1:$server->port", self::$servers);
        self::$house = SourceHouse::open(['KEEN_MAY_REACH' => implode(',', $ports)]);
        $file = new \PDO('sqlite:'.self::$house->folder.'/share/fares.sqlite');
        $file->exec('CREATE TABLE fares (day TEXT, route TEXT, fares NUMERIC)');
        $file->exec('CREATE TABLE untouched (a INT)');
        $file->exec('INSERT INTO untouched VALUES (1)');
        $file->exec('INSERT INTO fares VALUES '.self::ROWS);
    }

    public static function tearDownAfterClass(): void
    {
        self::$house->close();
        array_map(static fn (DatabaseServer $server) => $server->end(), self::$servers);
    }

    /** @return iterable<string, array{string}> */
    public static function engines(): iterable
    {
        yield 'PostgreSQL' => ['postgresql'];
        yield 'MariaDB' => ['mariadb'];
        yield 'SQLite' => ['sqlite'];
    }

    /**
     * @param array<string, string> $what table or query
     *
     * @return array<string, mixed>
     */
    private static function source(string $engine, array $what): array
    {
        $place = 'sqlite' === $engine
            ? ['engine' => $engine, 'database' => self::$house->folder.'/share/fares.sqlite']
            : [
                'engine' => $engine,
                'host' => '127.0.0.1',
                'port' => self::$servers[$engine]->port,
                'database' => 'mariadb' === $engine ? 'ledger' : 'postgres',
                'user' => DatabaseServer::USER,
            ];

        return ['kind' => 'database', 'settings' => $place + $what] +
            ('sqlite' === $engine ? [] : ['secret' => DatabaseServer::PASSWORD]);
    }

    /** @param array<string, string> $what */
    private static function looked(int $dataset, string $engine, array $what): Answer
    {
        return Server::send('POST', '/api/sources/looks', self::source($engine, $what) + ['dataset' => $dataset]);
    }

    private static function query(string $engine): string
    {
        return 'mariadb' === $engine ? strtr(self::QUERY, ['"' => '`']) : self::QUERY;
    }

    #[DataProvider('engines')]
    public function testAQueryIsReadWithItsParametersToTheLastDigit(string $engine): void
    {
        self::$house->in(static function () use ($engine): void {
            $id = Kept::made(self::OWN);
            $told = self::source($engine, ['query' => self::query($engine)]);
            $source = SourceHouse::kept($id, $told, ['takes' => 'checked', 'lookBack' => 1]);
            $done = SourceHouse::fetch($source);
            self::assertSame('taken', $done->text('outcome'), $done->body);
            $csv = Kept::csv($id);
            self::assertStringContainsString('2026-08,AC,Fares,,"Holm, ""east""",7.00', $csv);
            self::assertStringContainsString('2026-08,AC,Fares,,North,10.15', $csv);
            self::assertStringContainsString('2026-08,AC,Fares,,Skerry,-3.25', $csv);
            self::assertStringNotContainsString('1234567890123.45', $csv);
            $all = SourceHouse::kept($id, $told, ['takes' => 'checked', 'lookBack' => 2, 'name' => 'With July']);
            self::assertSame('taken', SourceHouse::fetch($all)->text('outcome'));
            self::assertStringContainsString('1234567890123.45', Kept::csv($id));
            self::assertSame('nothing new', SourceHouse::fetch($all)->text('outcome'));
        });
    }

    #[DataProvider('engines')]
    public function testATableIsOfferedWithItsColumns(string $engine): void
    {
        self::$house->in(static function () use ($engine): void {
            $id = Kept::made(self::OWN);
            $tables = Server::send('POST', '/api/sources/tables', ['dataset' => $id] +
                self::source($engine, ['table' => 'any']));
            self::assertSame(200, $tables->status, $tables->body);
            $items = $tables->at('items');
            \assert(\is_array($items));
            self::assertContains(['name' => 'fares', 'columns' => ['day', 'route', 'fares']], $items);
            $look = self::looked($id, $engine, ['table' => 'fares']);
            self::assertSame(['day', 'route', 'fares'], $look->at('columns'), $look->body);
        });
    }

    /** @return iterable<string, array{string, string}> */
    public static function writing(): iterable
    {
        $statements = [
            'a write' => 'DELETE FROM untouched',
            'a second statement' => 'SELECT * FROM fares; DELETE FROM untouched',
            'a closed bracket' => 'SELECT 1) AS a; DELETE FROM untouched; SELECT * FROM (SELECT 2',
            'a schema' => 'DROP TABLE untouched',
            'a setting' => 'SET SESSION TRANSACTION READ WRITE',
            'a write within' => 'WITH gone AS (DELETE FROM untouched RETURNING a) SELECT * FROM gone',
            'a comment' => 'SELECT * FROM fares) AS a -- ',
            'a file' => "SELECT 1) AS a UNION SELECT 'x' INTO OUTFILE '/tmp/keen-written' FROM (SELECT 2",
        ];
        foreach (['postgresql', 'mariadb', 'sqlite'] as $engine) {
            foreach ($statements as $name => $statement) {
                yield "$engine: $name" => [$engine, $statement];
            }
        }
    }

    #[DataProvider('writing')]
    public function testTheDatabaseItselfRefusesWhatIsNoReadingQuery(string $engine, string $statement): void
    {
        self::$house->in(static function () use ($engine, $statement): void {
            $look = self::looked(Kept::made(self::OWN), $engine, ['query' => $statement]);
            self::assertSame(422, $look->status, $look->body);
            self::assertStringStartsWith('The database says: ', $look->text('detail'));
            self::assertStringNotContainsString(DatabaseServer::PASSWORD, $look->body);
        });
        $file = 'sqlite:'.self::$house->folder.'/share/fares.sqlite';
        $database = self::$servers[$engine]->admin ?? new \PDO($file);
        $left = $database->query('SELECT COUNT(*) FROM untouched');
        self::assertSame(1, false === $left ? -1 : (int) $left->fetchColumn());
        self::assertFileDoesNotExist('/tmp/keen-written');
    }

    public function testAWrongPasswordAndAHostThatIsNotListedAreSaid(): void
    {
        self::$house->in(static function (): void {
            $id = Kept::made(self::OWN);
            $told = self::source('postgresql', ['table' => 'fares']);
            $wrong = Server::send('POST', '/api/sources/looks', ['dataset' => $id, 'secret' => 'wrong-one'] + $told);
            self::assertSame(422, $wrong->status, $wrong->body);
            self::assertStringContainsString('password', $wrong->text('detail'));
            self::assertStringNotContainsString('wrong-one', $wrong->body);
            $told['settings'] = ['port' => 1] + (array) $told['settings'];
            $other = Server::send('POST', '/api/sources/looks', ['dataset' => $id] + $told);
            self::assertSame(403, $other->status, $other->body);
            $sqlite = self::source('sqlite', ['table' => 'fares']);
            $sqlite['settings'] = ['database' => '/etc/passwd'] + (array) $sqlite['settings'];
            $file = Server::send('POST', '/api/sources/looks', ['dataset' => $id] + $sqlite);
            self::assertSame(403, $file->status, $file->body);
        });
    }
}
