<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

/** Comma-separated text, UTF-8, lines ended as RFC 4180 has them. */
final readonly class CsvWriter implements TableWriter
{
    private function __construct(private TextFileWriter $file) {}

    public static function to(string $path, string $sheet): self
    {
        return new self(new TextFileWriter($path));
    }

    public function row(array $cells): void
    {
        $this->file->write(implode(',', array_map(self::cell(...), $cells))."\r\n");
    }

    public function close(): void
    {
        $this->file->close();
    }

    public static function cell(string|ExactCell $cell): string
    {
        if ($cell instanceof ExactCell) {
            return $cell->digits;
        }
        $cell = SafeText::of($cell);

        return 1 === preg_match('/[",\r\n]|^\s|\s$/', $cell) ? '"'.str_replace('"', '""', $cell).'"' : $cell;
    }
}
