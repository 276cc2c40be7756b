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
    private const WORTH_TWO = 8_000_000;
    /** Number that rows are counted from where the reading begins in the middle: beyond every header. */
    private const FAR = 1_000_000_000;

    /**
     * @param resource $stream UTF-8, seekable
     * @param non-empty-string $delimiter
     * @param ?\Closure(): resource $again opens the same text once more, for a second reader; null: it cannot be
     * @param int $worthTwo bytes of a text that two readers are worth while for
     * @param int $from the byte at which reading begins
     * @param ?int $middle a byte at which a line begins; null: none is told
     * @param ?\Closure(): bool $isTaken asked at the middle, where a row begins there, whether somebody else has read
     *                                   what follows
     */
    public function __construct(
        private mixed $stream,
        public string $delimiter,
        private ?\Closure $again = null,
        private int $worthTwo = self::WORTH_TWO,
        private int $from = 0,
        private ?int $middle = null,
        private ?\Closure $isTaken = null,
    ) {}

    /** Where a line begins about half way; null where the text is too short for two readers, or there is one only. */
    public function maybeMiddle(): ?int
    {
        rewind($this->stream);
        $size = fstat($this->stream)['size'] ?? 0;
        $hasLines = str_contains((string) fread($this->stream, self::BYTES_AT_ONCE), "\n");
        if ($size < $this->worthTwo || !$hasLines || null === $this->again) {
            return null;
        }
        fseek($this->stream, intdiv($size, 2));
        $cut = (string) fgets($this->stream, Limits::LINE);

        return str_ends_with($cut, "\n") ? (int) ftell($this->stream) : null;
    }

    /**
     * The same rows; where they come to the middle, somebody else may have read what follows.
     *
     * @param \Closure(): bool $isTaken
     */
    public function upTo(int $middle, \Closure $isTaken): self
    {
        return new self(
            stream: $this->stream,
            delimiter: $this->delimiter,
            again: $this->again,
            worthTwo: $this->worthTwo,
            middle: $middle,
            isTaken: $isTaken,
        );
    }

    /** The rows from a byte on, by a stream of their own; their numbers say nothing. */
    public function from(int $byte): self
    {
        $again = $this->again ?? throw new \LogicException('This text is read by one reader only.');

        return new self($again(), $this->delimiter, from: $byte);
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
        $number = $start = 0 === $this->from ? 0 : self::FAR;
        $open = '';
        $isOpen = false;
        foreach ($this->runs() as $isMiddle => $lines) {
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
            if ($isMiddle && !$isOpen && null !== $this->isTaken && ($this->isTaken)()) {
                return;
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
     * @return \Generator<bool, list<string>> lines without their breaks, whichever kind those are, many at once; and
     *                                        whether what follows begins at the middle
     *
     * @throws RefusedFigures
     */
    private function runs(): \Generator
    {
        fseek($this->stream, $this->from);
        $middle = $this->middle ?? \PHP_INT_MAX;
        $rest = (string) fread($this->stream, max(1, min(self::BYTES_AT_ONCE, $middle - $this->from)));
        $at = $this->from + \strlen($rest);
        $rest = str_starts_with($rest, self::BYTE_ORDER_MARK) ? substr($rest, 3) : $rest;
        $break = str_contains($rest, "\n") || !str_contains($rest, "\r") ? "\n" : "\r";
        do {
            $lines = explode(
                $break,
                "\n" === $break && str_contains($rest, "\r\n") ? str_replace("\r\n", "\n", $rest) : $rest,
            );
            $rest = array_pop($lines);
            yield $at === $middle => $lines;
            if (\strlen($rest) > Limits::LINE) {
                throw RefusedFigures::whole(
                    'A row of the file has more than '.
                        number_format(Limits::LINE).
                        ' letters. This is not a table; look at how the file was made.',
                );
            }
            $bytes = $at < $middle ? min(self::BYTES_AT_ONCE, $middle - $at) : self::BYTES_AT_ONCE;
            $more = feof($this->stream) ? '' : (string) fread($this->stream, max(1, $bytes));
            $at += \strlen($more);
            $rest .= $more;
        } while ('' !== $more);
        if ('' !== $rest) {
            yield false => [rtrim($rest, "\r")];
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
