<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\Tests\app\Answer;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\OwnServer;
use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\Assert;
use Symfony\Component\Filesystem\Filesystem;

/** The application on a database of its own, with what the tests of sources say to it. */
final readonly class SourceHouse
{
    /** Seconds from now to noon of 7 September 2026, the fifth working day of the month. */
    private function __construct(public OwnServer $server, public string $folder, private int $offset) {}

    /** @param array<string, string> $environment */
    public static function open(array $environment = [], string $now = '2026-09-07 12:00', bool $withDemo = false): self
    {
        $folder = sys_get_temp_dir().'/keen-sources-'.bin2hex(random_bytes(6));
        mkdir("$folder/share", 0o700, true);
        $offset = (int) strtotime("$now UTC") - time();
        $server = OwnServer::on(
            "$folder/house.sqlite",
            more: $environment + ['KEEN_CLOCK_OFFSET' => (string) $offset, 'KEEN_FOLDERS' => "$folder/share"],
            withDemo: $withDemo,
        );

        return new self($server, $folder, $offset);
    }

    /**
     * @template T
     *
     * @param callable(): T $within
     *
     * @return T
     */
    public function in(callable $within): mixed
    {
        return Server::instead($this->server, $within);
    }

    public function file(): string
    {
        return "$this->folder/house.sqlite";
    }

    /** @return array<string, string> for commands on the same figures */
    public function environment(): array
    {
        return [
            'KEEN_DATA' => $this->file(),
            'KEEN_CLOCK_OFFSET' => (string) $this->offset,
            'KEEN_FOLDERS' => "$this->folder/share",
        ];
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    public static function web(string $address, array $more = []): array
    {
        return $more + [
            'kind' => 'web',
            'settings' => ['address' => $address, 'authentication' => 'bearer', 'rows' => 'entries', 'pages' => 'link'],
            'secret' => LedgerService::TOKEN,
        ];
    }

    /**
     * Looks at a source and keeps it, read the way that is offered.
     *
     * @param array<string, mixed> $told kind, settings, secret
     * @param array<string, mixed> $more
     *
     * @return int its number
     */
    public static function kept(int $dataset, array $told, array $more = []): int
    {
        $told += ['dataset' => $dataset];
        $asked = array_intersect_key($more, ['lookBack' => 0]);
        $look = Server::send('POST', '/api/sources/looks', $asked + $told);
        Assert::assertSame(201, $look->status, $look->body);
        $source = Server::send(
            'POST', '/api/sources', $more + $told + ['name' => 'Harbour ledger', 'mapping' => $look->at('mapping')],
        );
        Assert::assertSame(201, $source->status, $source->body);

        return $source->int('id');
    }

    public static function fetch(int $source): Answer
    {
        $done = Server::done(Server::send('POST', "/api/sources/$source/fetches", []));
        Assert::assertSame(200, $done->status, $done->body);

        return $done;
    }

    /** @return list<mixed> arrivals that wait, the latest first */
    public static function waiting(int $dataset): array
    {
        $items = Server::send('GET', "/api/datasets/$dataset/arrivals?waiting=1")->at('items');
        \assert(\is_array($items));

        return array_values($items);
    }

    /** @return array<string, string> amounts of a month by customer, as the dataset holds them */
    public static function amounts(int $dataset, string $month, string $scenario = 'AC'): array
    {
        $amounts = [];
        $lines = array_map(
            static fn (string $line): array => str_getcsv($line, ',', '"', ''),
            explode("\r\n", trim(Kept::bytes($dataset))),
        );
        $customer = (int) array_search('Customer', $lines[0], true);
        foreach ($lines as $cells) {
            if (\in_array($month, $cells, true) && \in_array($scenario, $cells, true)) {
                $amounts[(string) $cells[$customer]] = (string) end($cells);
            }
        }
        ksort($amounts);

        return $amounts;
    }

    public function close(): void
    {
        $this->server->end();
        (new Filesystem())->remove($this->folder);
    }
}
