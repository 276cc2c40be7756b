<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

use KeenMargin\App\Storage\Files\NotWritten;

/** A text file that is written line by line, and known to be whole once it is closed. */
final class TextFileWriter
{
    /** @var resource */
    private mixed $file;

    /** @throws NotWritten */
    public function __construct(private readonly string $path)
    {
        $file = @fopen($path, 'w');
        $this->file = \is_resource($file) ? $file : throw NotWritten::at($path);
    }

    /** @throws NotWritten */
    public function write(string $text): void
    {
        if (@fwrite($this->file, $text) !== \strlen($text)) {
            throw NotWritten::at($this->path, \strlen($text));
        }
    }

    /** @throws NotWritten */
    public function close(): void
    {
        if (!@fflush($this->file) || !fclose($this->file)) {
            throw NotWritten::at($this->path);
        }
    }

    /** A new file for something that is handed out and then forgotten. */
    public static function temporary(string $what): string
    {
        $folder = sys_get_temp_dir();
        $path = @tempnam($folder, "keen-$what-");

        return false !== $path && \dirname($path) === realpath($folder)
            ? $path
            : throw NotWritten::at("$folder/keen-$what");
    }
}
