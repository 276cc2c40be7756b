<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\App\Sources\Kind\Engine\RowBlock;
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

    public function add(RowBlock $block): void
    {
        $this->count += \count($block->rows);
        $this->waiting .= self::maybePlain($block) ?? self::quoted($block->rows);
        if (\strlen($this->waiting) > self::BYTES_AT_ONCE) {
            $this->flush();
        }
    }

    /** The rows as lines, where no cell has to be quoted: which is known once they are put together. */
    private static function maybePlain(RowBlock $block): ?string
    {
        if (!$block->areTexts || [] === $block->rows) {
            return null;
        }
        $lines = [];
        foreach ($block->rows as $row) {
            /** @var list<?string> $row */
            $lines[] = implode(',', $row);
        }
        $text = implode("\n", $lines)."\n";
        $commas = \count($block->rows) * (\count($block->rows[0]) - 1);
        $isPlain = \strlen($text) === strcspn($text, "\";\r\t")
            && substr_count($text, ',') === $commas
            && substr_count($text, "\n") === \count($lines);

        return $isPlain ? $text : null;
    }

    /** @param list<list<mixed>> $rows */
    private static function quoted(array $rows): string
    {
        $text = '';
        foreach ($rows as $row) {
            $cells = [];
            foreach ($row as $cell) {
                $cells[] = null === $cell ? '' : (\is_int($cell) ? (string) $cell : self::cell($cell));
            }
            $text .= implode(',', $cells)."\n";
        }

        return $text;
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
