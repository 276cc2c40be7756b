<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** The server in front outlives requests that are made to harm it, and those who send or read slowly hold nobody up. */
final class FrontTest extends TestCase
{
    protected function setUp(): void
    {
        if (
            null === self::program('nginx')
            || null === self::program('php-fpm'.\PHP_MAJOR_VERSION.'.'.\PHP_MINOR_VERSION)
        ) {
            self::markTestSkipped(
                'nginx or PHP-FPM is not installed: PHP\'s own server, which promises none of this, serves.',
            );
        }
    }

    public function testABodyThatIsSaidToBeHugeHarmsNobody(): void
    {
        $heads = [
            "POST /api/datasets HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: "
                ."99999999999\r\n\r\nx",
            "POST /api/readings HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: "
                ."99999999999\r\n\r\nx",
            "GET /api/datasets HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 400000000\r\n\r\nx",
            "POST /api/datasets/1/edits HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: "
                ."application/json\r\nContent-Length: 50000000\r\n\r\nx",
        ];
        foreach ($heads as $head) {
            foreach (range(1, 20) as $time) {
                $socket = self::opened($head);
                $answer = (string) fread($socket, 4096);
                fclose($socket);
                self::assertStringStartsWith('HTTP/1.1 413', $answer, $head);
                self::assertStringContainsString('application/problem+json', $answer);
            }
        }
        self::assertSame(200, Server::send('GET', '/api/datasets')->status);
    }

    public function testAnswersArePackedWhereTheBrowserUnderstandsIt(): void
    {
        $script = basename((glob(__DIR__.'/../../public/build/assets/main-*.js') ?: [''])[0]);
        $asked = static function (string $understood) use ($script): array {
            $handle = curl_init(Server::base()."/build/assets/$script");
            curl_setopt_array($handle, [
                \CURLOPT_RETURNTRANSFER => true,
                \CURLOPT_HEADER => true,
                \CURLOPT_HTTP_CONTENT_DECODING => false,
                \CURLOPT_HTTPHEADER => ["Accept-Encoding: $understood"],
            ]);

            return explode("\r\n\r\n", (string) curl_exec($handle), 2);
        };
        [$head, $packed] = $asked('gzip');
        [$plainHead, $plain] = $asked('identity');
        self::assertStringContainsString('Vary: Accept-Encoding', $head);
        self::assertStringContainsString('Content-Encoding: gzip', $head);
        self::assertStringNotContainsString('Content-Encoding', $plainHead);
        self::assertSame($plain, gzdecode($packed));
        self::assertLessThan(0.5 * \strlen($plain), \strlen($packed));
        self::assertStringEqualsFile(__DIR__."/../../public/build/assets/$script.gz", $packed);
    }

    public function testWhatIsNoRequestIsRefusedAsAProblem(): void
    {
        foreach (
            [
                "GARBAGE\r\n\r\n" => 400,
                "TRACE / HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n" => 405,
                'GET /'.str_repeat('a', 70_000)." HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n" => 414,
            ] as $sent => $status
        ) {
            $socket = self::opened($sent);
            $answer = (string) stream_get_contents($socket, 4096);
            self::assertStringStartsWith("HTTP/1.1 $status", $answer);
            self::assertStringContainsString("\"status\":$status", $answer);
        }
    }

    public function testSlowSendersAndSlowReadersHoldNobodyUp(): void
    {
        $id = Kept::made(
            "Month,Route,Actual\n".
                implode(
                    '',
                    array_map(
                        static fn (int $i): string => '2026-0'.(1 + ($i % 9)).",Route with a long name $i,$i\n",
                        range(1, 20_000),
                    ),
                ),
        );
        $slow = [];
        foreach (range(1, 30) as $i) {
            $slow[] = self::opened(
                "POST /api/datasets/$id/edits HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: "
                    ."application/json\r\nContent-Length: 5000\r\n\r\n{",
            );
            $slow[] = self::opened("GET /api/datasets/$id/exports/csv HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n");
            $slow[] = self::opened('GET /api/da');
        }
        foreach (range(1, 10) as $i) {
            self::assertSame(200, Server::send('GET', "/api/datasets/$id/pulse")->status);
        }
        array_map(fclose(...), $slow);
    }

    /** @return resource a connection on which it was sent */
    private static function opened(string $head)
    {
        $socket = stream_socket_client(str_replace('http', 'tcp', Server::base()), $code, $message, 5);
        \assert(\is_resource($socket));
        stream_set_timeout($socket, 5);
        fwrite($socket, $head);

        return $socket;
    }

    private static function program(string $name): ?string
    {
        foreach ([...explode(':', (string) getenv('PATH')), '/usr/sbin', '/sbin'] as $folder) {
            if (is_executable("$folder/$name")) {
                return "$folder/$name";
            }
        }

        return null;
    }
}
