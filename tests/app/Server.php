<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

/** The application as it is served, on a database of its own; one for all tests, ended with them. */
final class Server
{
    private const ROOT = __DIR__.'/../..';
    private static ?string $base = null;
    private static string $folder;

    public static function base(): string
    {
        return self::$base ??= self::start();
    }

    /** How many datasets, imports and facts the database holds. */
    public static function kept(): int
    {
        self::base();
        $answer = (new \PDO('sqlite:'.self::file()))->query('SELECT (SELECT COUNT(*) FROM dataset) + (SELECT COUNT(*) FROM packed) + (SELECT COUNT(*) FROM import)');

        return false === $answer ? -1 : (int) $answer->fetchColumn();
    }

    /** The database itself. */
    public static function file(): string
    {
        self::base();

        return self::$folder.'/test.sqlite';
    }

    /**
     * @param array<string, string>            $headers
     * @param string|array<string, mixed>|null $body    an array is sent as JSON
     */
    public static function send(string $method, string $path, string|array|null $body = null, array $headers = []): Answer
    {
        if (\is_array($body)) {
            $body = json_encode($body, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
            $headers += ['Content-Type' => 'application/json'];
        }
        $lines = array_map(static fn (string $name, string $value): string => "$name: $value", array_keys($headers), $headers);
        $context = stream_context_create(['http' => ['method' => $method, 'content' => $body ?? '', 'header' => implode("\r\n", $lines), 'ignore_errors' => true, 'follow_location' => 0]]);
        $bytes = file_get_contents(self::base().$path, false, $context);

        return new Answer($http_response_header, (string) $bytes);
    }

    /**
     * Requests at the same moment.
     *
     * @param list<array{string, string, array<string, mixed>|null, array<string, string>}> $requests method, path, body, headers
     *
     * @return list<Answer> in the same order
     */
    public static function sendTogether(array $requests): array
    {
        $all = curl_multi_init();
        $handles = [];
        foreach ($requests as [$method, $path, $body, $headers]) {
            $handle = curl_init(self::base().$path);
            \assert(false !== $handle && '' !== $method);
            $lines = array_map(static fn (string $name, string $value): string => "$name: $value", array_keys($headers), $headers);
            curl_setopt_array($handle, [\CURLOPT_CUSTOMREQUEST => $method, \CURLOPT_RETURNTRANSFER => true, \CURLOPT_HEADER => true, \CURLOPT_TIMEOUT => 60, \CURLOPT_HTTPHEADER => [...$lines, 'Content-Type: application/json', 'Expect:']]);
            null === $body || curl_setopt($handle, \CURLOPT_POSTFIELDS, json_encode($body, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE));
            curl_multi_add_handle($all, $handle);
            $handles[] = $handle;
        }
        do {
            curl_multi_exec($all, $running);
            curl_multi_select($all, 0.02);
        } while ($running > 0);

        return array_map(static function (\CurlHandle $handle): Answer {
            [$head, $body] = explode("\r\n\r\n", (string) curl_multi_getcontent($handle), 2) + ['', ''];

            return new Answer(explode("\r\n", $head), $body);
        }, $handles);
    }

    public static function upload(string $name, string $bytes, ?int $dataset = null): Answer
    {
        $field = null === $dataset ? '' : "--edge\r\nContent-Disposition: form-data; name=\"dataset\"\r\n\r\n$dataset\r\n";
        $body = $field."--edge\r\nContent-Disposition: form-data; name=\"file\"; filename=\"$name\"\r\nContent-Type: text/csv\r\n\r\n$bytes\r\n--edge--\r\n";

        return self::send('POST', '/api/readings', $body, ['Content-Type' => 'multipart/form-data; boundary=edge']);
    }

    private static function start(): string
    {
        self::$folder = sys_get_temp_dir().'/keen-test-'.getmypid();
        mkdir(self::$folder);
        $port = self::freePort();
        $environment = ['KEEN_DATA' => self::$folder.'/test.sqlite'] + getenv();
        self::run([\PHP_BINARY, 'bin/console', 'doctrine:migrations:migrate', '--no-interaction', '-q'], $environment);
        $server = proc_open(['setsid', 'bin/front', (string) $port], [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', self::$folder.'/server.log', 'w']], $pipes, self::ROOT, $environment);
        \assert(\is_resource($server));
        register_shutdown_function(static function () use ($server): void {
            posix_kill(proc_get_status($server)['pid'], 15);
            proc_close($server);
            array_map(unlink(...), array_filter([...glob(self::$folder.'/*') ?: [], ...glob(self::$folder.'/files/*') ?: []], is_file(...)));
            @rmdir(self::$folder.'/files');
            rmdir(self::$folder);
        });
        for ($i = 0; $i < 200; ++$i) {
            if (false !== @file_get_contents("http://127.0.0.1:$port/api/charts")) {
                return "http://127.0.0.1:$port";
            }
            usleep(50_000);
        }
        throw new \RuntimeException('The server did not start: '.file_get_contents(self::$folder.'/server.log'));
    }

    /**
     * @param list<string>          $command
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

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        \assert(\is_resource($socket));
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }
}
