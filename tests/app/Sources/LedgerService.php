<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\Tests\app\OwnServer;

/** The stand-in ledger as a process of its own, on a loopback port. */
final class LedgerService
{
    public const TOKEN = 'a-token-that-nobody-may-see';
    private const TRIES = 200;

    /** @param resource $process */
    private function __construct(
        private readonly mixed $process,
        public readonly int $port,
        private readonly string $file,
    ) {}

    public static function start(string $day = '2026-09-07'): self
    {
        $port = OwnServer::freePort();
        $file = (string) tempnam(sys_get_temp_dir(), 'keen-ledger-');
        $process = proc_open(
            [\PHP_BINARY, '-S', "127.0.0.1:$port", __DIR__.'/../../../demo/ledger/index.php'],
            [['file', '/dev/null', 'r'], ['file', "$file.log", 'a'], ['file', "$file.log", 'a']],
            $pipes,
            null,
            ['LEDGER_DATA' => $file, 'LEDGER_TOKEN' => self::TOKEN, 'LEDGER_DAY' => $day] + getenv(),
        );
        \assert(\is_resource($process));
        $service = new self($process, $port, $file);
        for ($i = 0; $i < self::TRIES && false === @file_get_contents($service->at('/clock')); ++$i) {
            usleep(25_000);
        }

        return $service;
    }

    public function at(string $path): string
    {
        return "http://127.0.0.1:$this->port$path";
    }

    /** @param array<string, mixed> $told */
    public function tell(string $path, array $told): void
    {
        $answer = file_get_contents($this->at($path), false, stream_context_create([
            'http' => [
                'method' => 'POST',
                'header' => 'Content-Type: application/json',
                'content' => json_encode($told, \JSON_THROW_ON_ERROR),
            ],
        ]));
        \assert(\is_string($answer));
    }

    /** @return array<string, int> sums of a month by customer, in whole euros */
    public function balances(string $period): array
    {
        $statement = (new \PDO("sqlite:$this->file"))->prepare(
            'SELECT customer, SUM(amount) FROM entry WHERE substr(day, 1, 7) = ? GROUP BY customer ORDER BY 1',
        );
        $statement->execute([$period]);

        /** @var array<string, int> */
        return $statement->fetchAll(\PDO::FETCH_KEY_PAIR);
    }

    public function end(): void
    {
        proc_terminate($this->process);
        proc_close($this->process);
        array_map(unlink(...), glob("$this->file*") ?: []);
    }
}
