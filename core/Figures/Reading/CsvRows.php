<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** Cuts delimited text into rows of cells; a quoted cell may hold delimiters, doubled quotes and line breaks. */
final class CsvRows
{
    /**
     * @param non-empty-string $delimiter
     *
     * @return \Generator<int, list<string>> cells by the number of the line on which the row starts, from 1
     */
    public static function of(string $text, string $delimiter): \Generator
    {
        $at = 0;
        $line = 0;
        $length = \strlen($text);
        while ($at < $length) {
            $start = ++$line;
            $end = self::lineEnd($text, $at);
            while (self::isOpen(substr($text, $at, $end - $at), $delimiter) && $end < $length) {
                $end = self::lineEnd($text, self::afterBreak($text, $end));
                ++$line;
            }
            $row = substr($text, $at, $end - $at);
            $at = self::afterBreak($text, $end);
            yield $start => str_contains($row, '"') ? self::unquoted($row, $delimiter) : explode($delimiter, $row);
        }
    }

    private static function lineEnd(string $text, int $from): int
    {
        return $from + strcspn($text, "\r\n", $from);
    }

    private static function afterBreak(string $text, int $end): int
    {
        return $end + ("\r\n" === substr($text, $end, 2) ? 2 : 1);
    }

    /** Whether a quoted cell of this row goes on after the line break. */
    private static function isOpen(string $row, string $delimiter): bool
    {
        if (!str_contains($row, '"')) {
            return false;
        }
        $quoted = '/(?:^|'.preg_quote($delimiter, '/').')\s*"(?:[^"]|"")*(?:"|$)/D';
        preg_match_all($quoted, $row, $cells);
        $last = end($cells[0]);

        return false !== $last && 1 === preg_match('/"(?:[^"]|"")*$/D', ltrim($last, $delimiter." \t")) && 1 === substr_count($last, '"') % 2;
    }

    /** @return list<string> */
    private static function unquoted(string $row, string $delimiter): array
    {
        return array_map(strval(...), str_getcsv($row, $delimiter, '"', ''));
    }
}
