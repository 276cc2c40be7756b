<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/**
 * `./keen demo` and `./keen serve` as a user starts and ends them: they set up what all other tests use, so they run
 * alone.
 */
#[Group('alone')]
final class StartTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';
    private const PORT = 8053;

    /**
     * @param list<string> $arguments
     * @param array<string, string> $environment
     *
     * @return array{resource, resource, resource} process, standard output, standard error
     */
    private static function start(array $arguments, array $environment = []): array
    {
        $process = proc_open(
            [self::ROOT.'/keen', ...$arguments],
            [['file', '/dev/null', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            self::ROOT,
            $environment + getenv(),
        );
        \assert(\is_resource($process));

        return [$process, $pipes[1], $pipes[2]];
    }

    private static function answers(): bool
    {
        $socket = @fsockopen('127.0.0.1', self::PORT, $code, $message, 0.2);

        return false !== $socket && fclose($socket);
    }

    /** @param resource $output */
    private static function until(string $said, $output): string
    {
        $text = '';
        while (!str_contains($text, $said) && false !== ($line = fgets($output))) {
            $text .= $line;
        }

        return $text;
    }

    public function testStartsPrintsItsAddressAndEndsWithAllItsWorkers(): void
    {
        [$process, $output] = self::start(['demo', '--port', (string) self::PORT], ['KEEN_DEMO_NAME' => 'start-test']);
        self::assertStringContainsString('http://127.0.0.1:'.self::PORT, self::until('ready', $output));
        $charts = json_decode((string) file_get_contents('http://127.0.0.1:'.self::PORT.'/api/charts'), true);
        \assert(\is_array($charts) && \is_array($charts['items']));
        self::assertContains('Monthly revenue', array_column($charts['items'], 'name'));

        [$second, , $errors] = self::start(
            ['demo', '--port', (string) self::PORT, '--keep'], ['KEEN_DEMO_NAME' => 'start-test'],
        );
        self::assertStringContainsString(
            'Port '.self::PORT.' is taken. Choose another', (string) stream_get_contents($errors),
        );
        self::assertSame(2, proc_close($second));

        proc_terminate($process, \SIGINT);
        proc_close($process);
        for ($i = 0; $i < 40 && self::answers(); ++$i) {
            usleep(50_000);
        }
        self::assertFalse(self::answers(), 'A worker is still there');
    }

    public function testServesAnEmptyDatabaseOfOnesOwnAndKeepsWhatIsBroughtIn(): void
    {
        $data = sys_get_temp_dir().'/keen-own-'.getmypid().'.sqlite';
        foreach ([0, 1] as $datasets) {
            [$process, $output] = self::start(['serve', '--port', (string) self::PORT], ['KEEN_DATA' => $data]);
            self::until('ready', $output);
            $base = 'http://127.0.0.1:'.self::PORT.'/api';
            $listed = json_decode((string) file_get_contents("$base/datasets"), true);
            self::assertSame($datasets, \is_array($listed) ? $listed['total'] : null);
            $post = static fn (string $path, mixed $body): mixed => json_decode(
                (string) file_get_contents(
                    $base.$path,
                    false,
                    stream_context_create([
                        'http' => [
                            'method' => 'POST',
                            'header' => 'Content-Type: application/json',
                            'content' => json_encode($body),
                        ],
                    ]),
                ),
                true,
            );
            $reading = $post('/readings', ['name' => 'own.csv', 'text' => "Month,Actual\n2026-01,1\n"]);
            \assert(\is_array($reading));
            $post('/datasets', ['reading' => $reading['id'], 'name' => 'Own']);
            proc_terminate($process, \SIGTERM);
            proc_close($process);
        }
        array_map(unlink(...), glob($data.'*') ?: []);
    }

    public function testWrongOptionsAreNamed(): void
    {
        foreach ([['--prot', '80'], ['--port', 'many']] as $arguments) {
            [$process, , $errors] = self::start(['demo', ...$arguments]);
            self::assertStringContainsString('--', (string) stream_get_contents($errors));
            self::assertSame(2, proc_close($process));
        }
    }
}
