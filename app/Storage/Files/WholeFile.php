<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Files;

/** Files that are there whole or not at all: written beside, then put in their place. */
final class WholeFile
{
    /** @throws NotWritten */
    public static function write(string $path, string $bytes): void
    {
        self::put(
            $path,
            \strlen($bytes),
            static fn (string $part): bool => \strlen($bytes) === @file_put_contents($part, $bytes),
        );
    }

    /** @throws NotWritten */
    public static function copy(string $from, string $to): void
    {
        $size = (int) @filesize($from);
        self::put($to, $size, static fn (string $part): bool => @copy($from, $part) && filesize($part) === $size);
    }

    /** @throws NotWritten */
    public static function folder(string $path): void
    {
        if (!is_dir($path) && !@mkdir($path, 0o700, true) && !is_dir($path)) {
            throw NotWritten::at($path);
        }
    }

    /** @param callable(string): bool $write */
    private static function put(string $path, int $bytes, callable $write): void
    {
        $part = "$path.".getmypid().'.part';
        if ($write($part) && @rename($part, $path)) {
            return;
        }
        @unlink($part);
        clearstatcache();
        throw NotWritten::at($path, $bytes);
    }
}
