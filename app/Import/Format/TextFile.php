<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\DelimitedRows;
use KeenMargin\Core\Figures\Reading\Table\Delimiter;
use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** Delimited text in any usual encoding: UTF-8 with or without a byte order mark, UTF-16, else Windows-1252. */
final readonly class TextFile implements FileFormat
{
    private const BYTES_AT_ONCE = 1_048_576;
    private const FOREIGN = ["PK\x03\x04", '%PDF', "\x89PNG", "\x1F\x8B", "\xFF\xD8\xFF", 'GIF8', 'Rar!', "7z\xBC\xAF"];

    /** @param resource $stream UTF-8 */
    private function __construct(private mixed $stream) {}

    public static function maybe(string $path, string $head): self
    {
        foreach (self::FOREIGN as $signature) {
            if (str_starts_with($head, $signature)) {
                throw RefusedFigures::whole('This is not a text file. Save the table as CSV, or paste it.');
            }
        }
        $size = (int) filesize($path);
        if ($size > Limits::BYTES) {
            throw RefusedFigures::whole(\sprintf(
                'The file has %.1f MB; up to %d MB can be read. Split it, or leave out what is not needed.',
                $size / 1e6,
                Limits::BYTES / 1_000_000,
            ));
        }

        return new self(self::utf8($path, $head));
    }

    public function sheets(): array
    {
        return [''];
    }

    public function rows(string $sheet): RowSource
    {
        $path = stream_get_meta_data($this->stream)['uri'] ?? '';
        $again = is_file($path) ? static fn (): mixed => self::opened($path) : null;

        return new DelimitedRows($this->stream, Delimiter::infer($this->stream), $again);
    }

    /** @return resource */
    private static function utf8(string $path, string $head): mixed
    {
        $file = self::opened($path);
        $wide = self::maybeUtf16($head);
        if (null !== $wide) {
            fseek($file, \in_array(substr($head, 0, 2), ["\xFF\xFE", "\xFE\xFF"], true) ? 2 : 0);

            return self::converted($file, $wide);
        }
        $isUtf8 = true;
        $rest = '';
        while ('' !== ($chunk = (string) fread($file, self::BYTES_AT_ONCE))) {
            if (str_contains($chunk, "\0")) {
                throw RefusedFigures::whole(
                    'This is not a text file: it has zero bytes in it. Save the table as CSV, or paste it.',
                );
            }
            if ($isUtf8) {
                // A character that the chunk cuts goes to the next one.
                $chunk = $rest.$chunk;
                $whole = \strlen($chunk);
                for ($back = 1; $back <= 3 && $back <= $whole; ++$back) {
                    $byte = \ord($chunk[$whole - $back]);
                    if ($byte >= 0xC0) {
                        $whole -= $back;
                        break;
                    }
                    if ($byte < 0x80) {
                        break;
                    }
                }
                $rest = substr($chunk, $whole);
                $isUtf8 =
                    1 === preg_match('//u', substr($chunk, 0, $whole))
                    || ($whole < \strlen($chunk) && 1 === preg_match('//u', $chunk));
            }
        }
        rewind($file);

        return $isUtf8 && ('' === $rest || 1 === preg_match('//u', $rest))
            ? $file
            : self::converted($file, 'Windows-1252');
    }

    private static function maybeUtf16(string $head): ?string
    {
        if (str_starts_with($head, "\xFF\xFE") || str_starts_with($head, "\xFE\xFF")) {
            return "\xFF" === $head[0] ? 'UTF-16LE' : 'UTF-16BE';
        }
        $start = substr($head, 0, 200);
        $pairs = str_split(\strlen($start) % 2 ? substr($start, 0, -1) : $start, 2);
        $low = \count(
            array_filter($pairs, static fn (string $pair): bool => "\0" === ($pair[1] ?? '') && "\0" !== $pair[0]),
        );
        $high = \count(array_filter(
            $pairs,
            static fn (string $pair): bool => "\0" === ($pair[0] ?? '') && "\0" !== ($pair[1] ?? "\0"),
        ));

        return match (true) {
            $low > 0.8 * \count($pairs) => 'UTF-16LE',
            $high > 0.8 * \count($pairs) => 'UTF-16BE',
            default => null,
        };
    }

    /**
     * @param resource $file
     *
     * @return resource
     */
    private static function converted(mixed $file, string $encoding): mixed
    {
        $made = tmpfile();
        \assert(\is_resource($made));
        $rest = '';
        while ('' !== ($chunk = (string) fread($file, self::BYTES_AT_ONCE))) {
            $chunk = $rest.$chunk;
            // Neither half a character nor one half of a pair.
            $cut = 'Windows-1252' === $encoding ? 0 : \strlen($chunk) % 4;
            $rest = 0 === $cut ? '' : substr($chunk, -$cut);
            $text = (string) mb_convert_encoding(0 === $cut ? $chunk : substr($chunk, 0, -$cut), 'UTF-8', $encoding);
            self::write($made, $text);
        }
        self::write($made, (string) mb_convert_encoding($rest, 'UTF-8', $encoding));
        fclose($file);

        return $made;
    }

    /** @param resource $made */
    private static function write(mixed $made, string $text): void
    {
        if (str_contains($text, "\0")) {
            throw RefusedFigures::whole(
                'This is not a text file: it has zero bytes in it. Save the table as CSV, or paste it.',
            );
        }
        fwrite($made, $text);
    }

    /** @return resource */
    private static function opened(string $path): mixed
    {
        $file = fopen($path, 'r');

        return \is_resource($file) ? $file : throw new \RuntimeException("$path cannot be opened.");
    }
}
