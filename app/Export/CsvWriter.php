<?php

declare(strict_types=1);

namespace KeenMargin\App\Export;

/** Comma-separated text, UTF-8, lines ended as RFC 4180 has them. */
final readonly class CsvWriter implements TableWriter
{
    /** @param resource $file */
    private function __construct(private mixed $file)
    {
    }

    public static function to(string $path, string $sheet): self
    {
        $file = fopen($path, 'w');

        return new self(\is_resource($file) ? $file : throw new \RuntimeException("$path cannot be written."));
    }

    public function row(array $cells): void
    {
        fwrite($this->file, implode(',', array_map(self::cell(...), $cells))."\r\n");
    }

    public function close(): void
    {
        fclose($this->file);
    }

    public static function cell(string|Exact $cell): string
    {
        if ($cell instanceof Exact) {
            return $cell->digits;
        }
        $cell = SafeText::of($cell);

        return 1 === preg_match('/[",\r\n]|^\s|\s$/', $cell) ? '"'.str_replace('"', '""', $cell).'"' : $cell;
    }
}
