<?php

declare(strict_types=1);

/*
 * A million rows from the stand-in ledger and from PostgreSQL into a dataset, each a whole process, against the same
 * rows from a CSV file; and an arrival of 1 % changes among them, compared and told by HTTP. Prints milliseconds.
 */

use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\Server;
use KeenMargin\Tests\app\Sources\DatabaseServer;
use KeenMargin\Tests\app\Sources\LedgerService;
use KeenMargin\Tests\app\Sources\SourceHouse;

require dirname(__DIR__).'/vendor/autoload.php';

const ROWS = 1_000_000;
const OWN = "Day,Customer,Freight (EUR)\n2023-12-15,Customer 00000,1\n2023-11-15,Customer 00000,1\n";
$ledger = LedgerService::start('2026-12-31');
$database = DatabaseServer::postgreSql();
$ledger->tell('/entries', ['rows' => ROWS]);
$signIn = stream_context_create(['http' => ['header' => 'Authorization: Bearer '.LedgerService::TOKEN]]);
$csv = tempnam(sys_get_temp_dir(), 'keen-bench-').'.csv';
copy($ledger->at('/entries.csv'), $csv, $signIn);
$database->admin->exec('CREATE TABLE entry (day DATE, customer TEXT, amount INT)');
$copy = new PDO("pgsql:host=127.0.0.1;port=$database->port;dbname=postgres", 'admin');
$lines = file($csv, \FILE_IGNORE_NEW_LINES) ?: [];
$copy->pgsqlCopyFromArray(
    'entry',
    array_map(static fn (string $line): string => strtr($line, [',' => "\t"]), array_slice($lines, 1)),
);
$database->admin->exec('GRANT SELECT ON entry TO reader');
unset($lines);

/** @param list<string> $arguments */
function fetchTimed(SourceHouse $house, array $arguments): float
{
    $start = hrtime(true);
    $process = proc_open(
        ['php', '-d', 'memory_limit=2G', '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=tracing',
            '-d', 'opcache.jit_buffer_size=16M', 'bin/console', ...$arguments],
        [1 => ['file', '/dev/null', 'w'], 2 => ['file', 'php://stderr', 'w']],
        $pipes,
        dirname(__DIR__),
        $house->environment() + getenv(),
    );
    if (!is_resource($process) || 0 !== proc_close($process)) {
        exit(1);
    }

    return (hrtime(true) - $start) / 1e6;
}

$times = [];
$reach = ['KEEN_MAY_REACH' => "127.0.0.1:$ledger->port,127.0.0.1:$database->port"];
putenv('KEEN_MAY_REACH='.$reach['KEEN_MAY_REACH']);
for ($round = 0; $round < 3; ++$round) {
    $house = SourceHouse::open($reach, '2027-01-08 12:00');
    $house->in(static function () use ($house, $ledger, $database, $csv, &$times): void {
        $query = 'SELECT day AS "Day", customer AS "Customer", amount AS "Freight (EUR)" FROM entry';
        $told = [
            'web' => [
                'kind' => 'web',
                'settings' => ['address' => $ledger->at('/entries.csv'), 'authentication' => 'bearer'],
                'secret' => LedgerService::TOKEN,
            ],
            'postgresql' => [
                'kind' => 'database',
                'settings' => ['engine' => 'postgresql', 'host' => '127.0.0.1', 'port' => $database->port,
                    'database' => 'postgres', 'user' => DatabaseServer::USER, 'query' => $query],
                'secret' => DatabaseServer::PASSWORD,
            ],
        ];
        $file = Kept::made(OWN);
        $times['file'][] = fetchTimed($house, ['keen:import', (string) $file, $csv]);
        foreach ($told as $name => $source) {
            $id = Kept::made(OWN);
            $kept = SourceHouse::kept($id, $source, ['takes' => 'checked', 'mode' => 'add']);
            $times[$name][] = fetchTimed($house, ['keen:fetch', (string) $kept]);
            if (ROWS + 2 !== Server::send('GET', "/api/datasets/$id")->int('facts')) {
                exit('Not all rows came.');
            }
        }
        // Each hundredth amount otherwise.
        $database->admin->exec('UPDATE entry SET amount = -amount WHERE amount % 100 = 7');
        $now = Server::send('GET', "/api/sources/$kept");
        Server::send(
            'PATCH', "/api/sources/$kept", ['takes' => 'never'], ['If-Match' => (string) $now->header('ETag')],
        );
        $times['fetched with 1 % changes'][] = fetchTimed($house, ['keen:fetch', (string) $kept]);
        $arrival = Server::send('GET', "/api/datasets/$id/arrivals?waiting=1")->at('items', 0, 'id');
        assert(is_int($arrival));
        $start = hrtime(true);
        $shown = Server::send('GET', "/api/arrivals/$arrival");
        $times['compared'][] = (hrtime(true) - $start) / 1e6;
        $times['changes'][] = $shown->int('all');
        $database->admin->exec('UPDATE entry SET amount = -amount WHERE amount % 100 = -7');
    });
    $house->close();
}
$ledger->end();
$database->end();
unlink($csv);
/** @var array<string, list<float|int>> $times */
echo json_encode(array_map(static function (array $all): float {
    sort($all);

    return round($all[intdiv(count($all), 2)], 1);
}, $times)), "\n";
