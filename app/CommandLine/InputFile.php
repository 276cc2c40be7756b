<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

/** What a command is given to read: a file, a pipe such as `<(…)`, or `-` for standard input. */
final class InputFile
{
    private const TYPE = 0170000;
    private const PIPES = [0010000, 0020000, 0140000];

    /**
     * The path of a file with the contents: that of the file itself; what comes in through a pipe is put into one that
     * is gone when the command ends, as some formats are read from several places.
     *
     * @param string $what it is, within a sentence: `figures`
     *
     * @throws UsageError where nothing can be read
     */
    public static function path(string $given, string $what): string
    {
        if (is_file($given) && is_readable($given)) {
            return $given;
        }
        $stream = self::maybeStream($given);
        if (null === $stream) {
            throw new UsageError("$given: there is no such file of $what that can be read.");
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'keen-input');
        register_shutdown_function(static fn (): bool => @unlink($path));
        file_put_contents($path, $stream);

        return $path;
    }

    /** The name of a file; that of a pipe says nothing. */
    public static function name(string $given): string
    {
        return is_file($given) ? pathinfo($given, \PATHINFO_FILENAME) : 'Figures';
    }

    /** @return resource|null null where it is no pipe */
    private static function maybeStream(string $given)
    {
        if ('-' === $given) {
            return \STDIN;
        }
        // PHP follows /dev/fd/63 to a name that is no path.
        if (1 === preg_match('~^/(?:dev|proc/self)/fd/(\d+)$~D', $given, $descriptor)) {
            return @fopen("php://fd/{$descriptor[1]}", 'r') ?: null;
        }
        $stat = @stat($given);
        $isPipe = false !== $stat && \in_array($stat['mode'] & self::TYPE, self::PIPES, true);

        return $isPipe ? (@fopen($given, 'r') ?: null) : null;
    }
}
