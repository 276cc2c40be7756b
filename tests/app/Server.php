<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use Symfony\Component\Filesystem\Filesystem;

/** The application as it is served, on a database of its own; one for all tests, ended with them. */
final class Server
{
    private static ?string $base = null;
    /** Where requests go for the time being; none: to the server of all tests. */
    private static ?string $other = null;
    private static string $folder;

    public static function base(): string
    {
        return self::$base ??= self::start();
    }

    /**
     * Sends what is sent within to another server.
     *
     * @template T
     *
     * @param callable(): T $within
     *
     * @return T
     */
    public static function instead(OwnServer $server, callable $within): mixed
    {
        self::$other = $server->base;
        try {
            return $within();
        } finally {
            self::$other = null;
        }
    }

    /** How many datasets, imports and facts the database holds. */
    public static function kept(): int
    {
        self::base();
        $answer = (new \PDO('sqlite:'.self::file()))->query(
            'SELECT (SELECT COUNT(*) FROM dataset) + (SELECT COUNT(*) FROM packed) + (SELECT COUNT(*) FROM import)',
        );

        return false === $answer ? -1 : (int) $answer->fetchColumn();
    }

    /** The database itself. */
    public static function file(): string
    {
        self::base();

        return self::$folder.'/test.sqlite';
    }

    /**
     * @param array<string, string> $headers
     * @param string|array<string, mixed>|null $body an array is sent as JSON
     */
    public static function send(
        string $method,
        string $path,
        string|array|null $body = null,
        array $headers = [],
    ): Answer {
        if (\is_array($body)) {
            $body = json_encode($body, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
            $headers += ['Content-Type' => 'application/json'];
        }
        $lines = array_map(
            static fn (string $name, string $value): string => "$name: $value",
            array_keys($headers),
            $headers,
        );
        $context = stream_context_create([
            'http' => [
                'method' => $method,
                'content' => $body ?? '',
                'header' => implode("\r\n", $lines),
                'ignore_errors' => true,
                'follow_location' => 0,
            ],
        ]);
        $bytes = file_get_contents((self::$other ?? self::base()).$path, false, $context);

        $answer = new Answer($http_response_header, (string) $bytes);
        Contract::insist($method, $path, $answer);

        return $answer;
    }

    /** The answer itself; where long work was accepted, the one that it ends with. */
    public static function done(Answer $answer): Answer
    {
        for ($i = 0; 202 === $answer->status && $i < 1200; ++$i) {
            usleep(50_000);
            $job = self::send('GET', '/api/jobs/'.$answer->text('job', 'id'));
            if ('ended' === $job->text('state')) {
                $type = $job->int('status') < 400 ? 'application/json' : 'application/problem+json';

                return new Answer(
                    ["HTTP/1.1 {$job->int('status')}", "Content-Type: $type"],
                    json_encode($job->at('answer'), \JSON_THROW_ON_ERROR),
                );
            }
        }

        return $answer;
    }

    /**
     * Requests at the same moment.
     *
     * @param list<array{string, string, array<string, mixed>|null, array<string, string>}> $requests method, path,
     *                                                                                                body, headers
     *
     * @return list<Answer> in the same order
     */
    public static function sendTogether(array $requests): array
    {
        $all = curl_multi_init();
        $handles = [];
        foreach ($requests as [$method, $path, $body, $headers]) {
            $handle = curl_init((self::$other ?? self::base()).$path);
            \assert(false !== $handle && '' !== $method);
            $lines = array_map(
                static fn (string $name, string $value): string => "$name: $value",
                array_keys($headers),
                $headers,
            );
            curl_setopt_array($handle, [
                \CURLOPT_CUSTOMREQUEST => $method,
                \CURLOPT_RETURNTRANSFER => true,
                \CURLOPT_HEADER => true,
                \CURLOPT_TIMEOUT => 60,
                \CURLOPT_HTTPHEADER => [...$lines, 'Content-Type: application/json', 'Expect:'],
            ]);
            null === $body
                || curl_setopt(
                    $handle, \CURLOPT_POSTFIELDS, json_encode($body, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                );
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

    public static function upload(
        string $name,
        string $bytes,
        ?int $dataset = null,
        string $to = '/api/readings',
    ): Answer {
        $field =
            null === $dataset ? '' : "--edge\r\nContent-Disposition: form-data; name=\"dataset\"\r\n\r\n$dataset\r\n";
        $body =
            $field.
            "--edge\r\nContent-Disposition: form-data; name=\"file\"; ".
            "filename=\"$name\"\r\nContent-Type: text/csv\r\n\r\n$bytes\r\n--edge--\r\n";

        return self::send('POST', $to, $body, ['Content-Type' => 'multipart/form-data; boundary=edge']);
    }

    private static function start(): string
    {
        self::$folder = sys_get_temp_dir().'/keen-test-'.getmypid();
        mkdir(self::$folder);
        $server = OwnServer::on(self::$folder.'/test.sqlite');
        register_shutdown_function(static function () use ($server): void {
            $server->end();
            (new Filesystem())->remove(self::$folder);
        });

        return $server->base;
    }
}
