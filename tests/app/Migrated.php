<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\Assert;

/** A store of a test's own at a version of the schema. */
final class Migrated
{
    /**
     * @param string $version class of a migration, or `latest`
     *
     * @return string what it told on standard error
     */
    public static function to(string $version, string $file): string
    {
        $process = proc_open(
            [\PHP_BINARY, \dirname(__DIR__, 2).'/bin/console', 'doctrine:migrations:migrate', $version, '-n', '-q'],
            [2 => ['pipe', 'w']],
            $pipes,
            null,
            ['KEEN_DATA' => $file] + getenv(),
        );
        \assert(\is_resource($process));
        $told = (string) stream_get_contents($pipes[2]);
        Assert::assertSame(0, proc_close($process), $told);

        return $told;
    }
}
