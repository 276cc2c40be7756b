<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** A table as it came: a header and rows of text cells, each with its row number in the file. */
final readonly class Sheet
{
    /**
     * @param list<string>             $header names, every one of them once
     * @param array<int, list<string>> $rows   by row number; as many cells as the header or fewer
     */
    public function __construct(public array $header, public array $rows, public string $delimiter = ',')
    {
    }

    public static function ofText(string $bytes): self
    {
        $text = TextDecoder::utf8($bytes);
        $delimiter = Delimiter::infer($text);
        $header = null;
        $rows = [];
        foreach (CsvRows::of($text, $delimiter) as $number => $cells) {
            $cells = array_map(self::clean(...), $cells);
            if ('' === implode('', $cells)) {
                continue;
            }
            if (null === $header) {
                $header = self::names($cells);
                continue;
            }
            $rows[$number] = self::fitted($number, $cells, \count($header));
            if (\count($rows) > Limits::ROWS) {
                throw RefusedFigures::whole('The file has more than '.number_format(Limits::ROWS).' rows. Split it, or leave out what is not needed.');
            }
        }
        if ([] === $rows || null === $header) {
            throw RefusedFigures::whole('The file has a header and no figures below it. Give at least one row of figures.');
        }

        return new self($header, $rows, $delimiter);
    }

    /**
     * Cells of a column that are not empty.
     *
     * @return list<string>
     */
    public function column(int $place, int $most = \PHP_INT_MAX): array
    {
        $cells = [];
        foreach ($this->rows as $row) {
            if ('' !== ($row[$place] ?? '') && \count($cells) < $most) {
                $cells[] = $row[$place];
            }
        }

        return $cells;
    }

    private static function clean(string $cell): string
    {
        return trim(preg_replace('/[\s\x{00A0}\x{202F}\x{FEFF}]+/u', ' ', $cell) ?? $cell);
    }

    /**
     * @param list<string> $cells
     *
     * @return list<string>
     */
    private static function names(array $cells): array
    {
        while (\count($cells) > 1 && '' === end($cells)) {
            array_pop($cells);
        }
        if (\count($cells) > Limits::COLUMNS) {
            throw RefusedFigures::whole(\sprintf('The file has %s columns; up to %d can be read.', number_format(\count($cells)), Limits::COLUMNS));
        }
        $names = [];
        foreach ($cells as $i => $cell) {
            $name = mb_substr('' === $cell ? 'Column '.($i + 1) : $cell, 0, 120);
            for ($n = 2, $plain = $name; \in_array($name, $names, true); ++$n) {
                $name = "$plain ($n)";
            }
            $names[] = $name;
        }

        return $names;
    }

    /**
     * @param list<string> $cells
     *
     * @return list<string>
     */
    private static function fitted(int $number, array $cells, int $width): array
    {
        if ('' !== implode('', \array_slice($cells, $width))) {
            throw RefusedFigures::rows([new Refusal($number, '', \sprintf('it has %d cells where the header has %d. Put cells that hold the delimiter in quotes.', \count($cells), $width))]);
        }
        foreach ($cells as $cell) {
            if (mb_strlen($cell) > Limits::CELL) {
                throw RefusedFigures::rows([new Refusal($number, '', \sprintf('a cell has %d letters; up to %d can be read.', mb_strlen($cell), Limits::CELL))]);
            }
        }

        return \array_slice($cells, 0, $width);
    }
}
