<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

/** The application as it is served, front and all, on a database that a test names. */
final class OwnServer
{
    private const ROOT = __DIR__.'/../..';

    /** @param resource $process */
    private function __construct(
        private readonly mixed $process,
        public readonly string $base,
        public readonly int $pid,
    ) {}

    /**
     * @param bool $isMigrated whether its tables are there already
     * @param array<string, string> $more of its environment
     * @param bool $withDemo whether it begins with the demo's figures, charts and report
     */
    public static function on(
        string $database,
        bool $isMigrated = false,
        array $more = [],
        bool $withDemo = false,
    ): self {
        $environment = ['KEEN_DATA' => $database] + $more + getenv();
        $isMigrated
            || self::run(
                [\PHP_BINARY, 'bin/console', 'doctrine:migrations:migrate', '--no-interaction', '-q'], $environment,
            );
        $withDemo && self::run([\PHP_BINARY, 'bin/console', 'keen:demo', '-q'], $environment);
        $port = self::freePort();
        $log = (string) tempnam(sys_get_temp_dir(), 'keen-server-');
        $process = proc_open(
            ['setsid', 'bin/front', (string) $port],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', $log, 'w']],
            $pipes,
            self::ROOT,
            $environment,
        );
        \assert(\is_resource($process));
        for ($i = 0; $i < 200; ++$i) {
            if (false !== @file_get_contents("http://127.0.0.1:$port/api/charts")) {
                unlink($log);

                return new self($process, "http://127.0.0.1:$port", proc_get_status($process)['pid']);
            }
            usleep(50_000);
        }
        throw new \RuntimeException('The server did not start: '.file_get_contents($log));
    }

    /** @return list<int> processes that are called so, of those that it started */
    public function workers(string $called): array
    {
        $parents = [];
        foreach (glob('/proc/[0-9]*/stat') ?: [] as $stat) {
            $fields = explode(' ', (string) preg_replace('/^.*\) /', '', (string) @file_get_contents($stat)));
            $parents[(int) basename(\dirname($stat))] = (int) ($fields[1] ?? 0);
        }
        $isCalled = static fn (int $pid): bool => str_contains((string) @file_get_contents("/proc/$pid/comm"), $called);
        $masters = array_filter(array_keys($parents, $this->pid, true), $isCalled);

        return array_keys(array_filter($parents, static fn (int $parent): bool => \in_array($parent, $masters, true)));
    }

    public function end(): void
    {
        posix_kill($this->pid, 15);
        proc_close($this->process);
    }

    /**
     * @param list<string> $command
     * @param array<string, string> $environment
     */
    private static function run(array $command, array $environment): void
    {
        $process = proc_open($command, [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, self::ROOT, $environment);
        \assert(\is_resource($process));
        $output = stream_get_contents($pipes[1]).stream_get_contents($pipes[2]);
        if (0 !== proc_close($process)) {
            throw new \RuntimeException($output);
        }
    }

    public static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        \assert(\is_resource($socket));
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }
}
