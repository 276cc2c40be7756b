<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\App\Storage\Files\NotWritten;

/** Rows of a database as CSV with a header: points in numbers, nothing where a cell has no value. */
final class RowFile
{
    private const BYTES_AT_ONCE = 1_000_000;

    /** @var resource */
    private mixed $file;
    private string $waiting = '';
    private int $written = 0;
    private int $count = 0;

    /** @throws NotWritten */
    public function __construct(private readonly string $path)
    {
        $file = @fopen($path, 'w');
        $this->file = \is_resource($file) ? $file : throw NotWritten::at($path);
    }

    /** @param list<mixed> $row */
    public function add(array $row): void
    {
        ++$this->count;
        $cells = [];
        foreach ($row as $cell) {
            $cells[] = null === $cell ? '' : (\is_int($cell) ? (string) $cell : self::cell($cell));
        }
        $this->waiting .= implode(',', $cells)."\n";
        if (\strlen($this->waiting) > self::BYTES_AT_ONCE) {
            $this->flush();
        }
    }

    public function bytes(): int
    {
        return $this->written + \strlen($this->waiting);
    }

    /** How many rows there are, the header among them. */
    public function count(): int
    {
        return $this->count;
    }

    public function close(): void
    {
        $this->flush();
        fclose($this->file);
    }

    private function flush(): void
    {
        if (@fwrite($this->file, $this->waiting) !== \strlen($this->waiting)) {
            throw NotWritten::at($this->path);
        }
        $this->written += \strlen($this->waiting);
        $this->waiting = '';
    }

    private static function cell(mixed $cell): string
    {
        $text = match (true) {
            \is_string($cell) => $cell,
            \is_bool($cell) => $cell ? 'true' : 'false',
            \is_resource($cell) => (string) stream_get_contents($cell),
            default => (string) json_encode($cell),
        };

        return strcspn($text, "\",;\r\n\t") === \strlen($text) ? $text : '"'.str_replace('"', '""', $text).'"';
    }
}
