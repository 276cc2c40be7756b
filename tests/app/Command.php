<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

/** The command line, run as a user would. */
final class Command
{
    /**
     * @param list<string> $arguments
     * @param array<string, string> $environment besides that of the tests
     *
     * @return array{int, string, string} exit code, standard output, standard error
     */
    public static function keen(
        array $arguments,
        string $input = '',
        ?string $folder = null,
        array $environment = [],
    ): array {
        $pipes = [];
        $command = [\dirname(__DIR__, 2).'/keen', ...$arguments];
        $process = proc_open(
            $command,
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            $folder ?? sys_get_temp_dir(),
            $environment + getenv(),
        );
        \assert(\is_resource($process));
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $output = (string) stream_get_contents($pipes[1]);
        $errors = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $output, $errors];
    }
}
