<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** Turns the bytes of a text file into UTF-8: with a byte order mark as it says, else UTF-8, else Windows-1252. */
final class TextDecoder
{
    public static function utf8(string $bytes): string
    {
        if (\strlen($bytes) > Limits::BYTES) {
            throw RefusedFigures::whole(\sprintf('The file has %.1f MB; up to %d MB can be read. Split it, or leave out what is not needed.', \strlen($bytes) / 1e6, Limits::BYTES / 1_000_000));
        }
        $text = match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => substr($bytes, 3),
            str_starts_with($bytes, "\xFF\xFE") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'),
            str_starts_with($bytes, "\xFE\xFF") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'),
            default => $bytes,
        };
        if (str_contains($text, "\0") || str_starts_with($text, "PK\x03\x04") || str_starts_with($text, '%PDF')) {
            throw RefusedFigures::whole('This is not a text file. Save the table as CSV, or paste it.');
        }
        if (!mb_check_encoding($text, 'UTF-8')) {
            $text = mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        }
        if ('' === trim((string) $text)) {
            throw RefusedFigures::whole('The file is empty. Give one with a header row and at least one row of figures.');
        }

        return (string) $text;
    }
}
