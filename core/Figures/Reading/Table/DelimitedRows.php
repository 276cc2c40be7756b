<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\Refusal;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/**
 * Cuts delimited text into rows of cells. A quoted cell may hold delimiters, doubled quotes and line breaks.
 * Lines without quotes, and with nothing but plainly quoted cells, take a fast way.
 */
final readonly class DelimitedRows implements RowSource
{
    private const BYTES_AT_ONCE = 262_144;
    private const BYTE_ORDER_MARK = "\xEF\xBB\xBF";

    /**
     * @param resource $stream UTF-8, seekable
     * @param non-empty-string $delimiter
     */
    public function __construct(private mixed $stream, public string $delimiter)
    {
    }

    /**
     * @return \Generator<int, list<string>>
     *
     * @throws RefusedFigures
     */
    public function rows(int $after = -1): \Generator
    {
        $delimiter = $this->delimiter;
        $between = '"'.$delimiter.'"';
        $number = $start = 0;
        $open = '';
        $isOpen = false;
        foreach ($this->runs() as $lines) {
            foreach ($lines as $line) {
                ++$number;
                if (!$isOpen && !str_contains($line, '"')) {
                    if ($number > $after) {
                        yield $number => explode($delimiter, $line);
                    }
                    continue;
                }
                $quotes = substr_count($line, '"');
                if (!$isOpen && '"' === $line[0] && str_ends_with($line, '"')) {
                    $cells = explode($between, substr($line, 1, -1));
                    // No quotes but those around each cell: nothing within them needs a second look.
                    if (2 * \count($cells) === $quotes) {
                        if ($number > $after) {
                            yield $number => $cells;
                        }
                        continue;
                    }
                }
                $isOdd = 0 !== $quotes % 2;
                if (!$isOpen) {
                    [$start, $open] = [$number, $line];
                    $isOpen = $isOdd && $this->goesOn($line);
                } else {
                    $open .= "\n".$line;
                    $isOpen = !$isOdd;
                }
                if ($isOpen && \strlen($open) > Limits::LINE) {
                    throw RefusedFigures::rows([
                        new Refusal($start, '', 'a quoted cell begins here and does not end. Close the quotes.'),
                    ]);
                }
                if (!$isOpen && $start > $after) {
                    yield $start => $this->cells($open);
                }
            }
        }
        if ($isOpen && $start > $after) {
            yield $start => $this->cells($open);
        }
    }

    /** @return list<string> of a row that has quotes in it */
    private function cells(string $row): array
    {
        $cells = explode($this->delimiter, $row);
        foreach ($cells as $i => $cell) {
            if ('' === $cell || '"' !== $cell[0]) {
                if (str_contains($cell, '"')) {
                    return $this->slowly($row);
                }
                continue;
            }
            if (strpos($cell, '"', 1) !== \strlen($cell) - 1) {
                return $this->slowly($row);
            }
            $cells[$i] = substr($cell, 1, -1);
        }

        return $cells;
    }

    /** @return list<string> */
    private function slowly(string $row): array
    {
        return array_map(strval(...), str_getcsv($row, $this->delimiter, '"', ''));
    }

    /**
     * @return \Generator<int, list<string>> lines without their breaks, whichever kind those are, many at once
     *
     * @throws RefusedFigures
     */
    private function runs(): \Generator
    {
        rewind($this->stream);
        $rest = (string) fread($this->stream, self::BYTES_AT_ONCE);
        $rest = str_starts_with($rest, self::BYTE_ORDER_MARK) ? substr($rest, 3) : $rest;
        $break = str_contains($rest, "\n") || !str_contains($rest, "\r") ? "\n" : "\r";
        do {
            $lines = explode(
                $break,
                "\n" === $break && str_contains($rest, "\r\n") ? str_replace("\r\n", "\n", $rest) : $rest,
            );
            $rest = array_pop($lines);
            yield $lines;
            if (\strlen($rest) > Limits::LINE) {
                throw RefusedFigures::whole(
                    'A row of the file has more than '.
                        number_format(Limits::LINE).
                        ' letters. This is not a table; look at how the file was made.',
                );
            }
            $more = feof($this->stream) ? '' : (string) fread($this->stream, self::BYTES_AT_ONCE);
            $rest .= $more;
        } while ('' !== $more);
        if ('' !== $rest) {
            yield [rtrim($rest, "\r")];
        }
    }

    /** Whether the last quoted cell of this row goes on after the line break. */
    private function goesOn(string $row): bool
    {
        $quoted = '/(?:^|'.preg_quote($this->delimiter, '/').')[ \t]*"(?:[^"]|"")*(?:"|$)/D';
        preg_match_all($quoted, $row, $cells);
        $last = end($cells[0]);

        return false !== $last && 1 === substr_count($last, '"') % 2;
    }
}
