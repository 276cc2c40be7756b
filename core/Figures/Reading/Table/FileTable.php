<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

use KeenMargin\Core\Figures\Reading\Text\Refusal;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/**
 * A table as it came: the names of its columns, its first rows cleaned, and all of them on demand.
 */
final readonly class FileTable
{
    /** Rows that are looked at before anything is decided. */
    public const SAMPLE = 600;
    private const SAMPLE_BYTES = 4_000_000;
    /** Rows in which the header is looked for. */
    private const TOP = 80;

    /**
     * @param list<string> $header names, every one of them once
     * @param list<list<string>> $levels the same in their parts: of a header in two rows the upper and the lower name
     * @param array<int, list<string>> $rows the first ones, by row number; cells cleaned, as many as the header or
     *                                       fewer
     * @param bool $isWhole whether these are all
     * @param list<string> $notes texts above the header
     * @param list<string> $titles those of them that stand alone in their row
     * @param bool $prefersComma whether it is delimited as programs do that write decimal commas
     */
    private function __construct(
        private RowSource $source,
        public HeaderPosition $place,
        public array $header,
        public array $levels,
        public array $rows,
        public bool $isWhole,
        public array $notes,
        public array $titles,
        public bool $prefersComma,
    ) {}

    /**
     * The same table with other rows below its header.
     *
     * @param callable(RowSource): RowSource $wrap
     */
    public function reading(callable $wrap): self
    {
        return new self(
            source: $wrap($this->source),
            place: $this->place,
            header: $this->header,
            levels: $this->levels,
            rows: $this->rows,
            isWhole: $this->isWhole,
            notes: $this->notes,
            titles: $this->titles,
            prefersComma: $this->prefersComma,
        );
    }

    /** Where its text can be read from by a second reader; null where it is short, or no plain text. */
    public function maybeMiddle(): ?int
    {
        return $this->source instanceof DelimitedRows ? $this->source->maybeMiddle() : null;
    }

    /**
     * The same table; at the middle, somebody else may have read what follows.
     *
     * @param \Closure(): bool $isTaken
     */
    public function upTo(int $middle, \Closure $isTaken): self
    {
        return $this->reading(
            static fn (RowSource $rows): RowSource => $rows instanceof DelimitedRows
                ? $rows->upTo($middle, $isTaken)
                : $rows,
        );
    }

    /** The rows of its text from the middle on. */
    public function from(int $middle): self
    {
        return $this->reading(
            static fn (RowSource $rows): RowSource => $rows instanceof DelimitedRows ? $rows->from($middle) : $rows,
        );
    }

    /** @throws RefusedFigures */
    public static function of(RowSource $source, ?HeaderPosition $told = null): self
    {
        [$first, $isWhole] = self::first($source);
        if ([] === array_filter($first)) {
            throw RefusedFigures::whole(
                'The file is empty. Give one with a header row and at least one row of figures.',
            );
        }
        $place = $told ?? HeaderFinder::place(\array_slice($first, 0, self::TOP, true));
        [$header, $levels] = ColumnNames::of($first, $place);
        $after = $place->row + $place->levels - 1;
        $rows = [];
        foreach ($first as $number => $cells) {
            if ($number > $after && [] !== $cells) {
                $rows[$number] = self::fitted($number, $cells, \count($header));
            }
        }
        if ([] === $rows) {
            throw RefusedFigures::whole(
                'The file has a header and no figures below it. Give at least one row of figures.',
            );
        }
        $notes = $titles = [];
        foreach ($first as $number => $cells) {
            $texts = array_values(array_filter($cells, static fn (string $cell): bool => '' !== $cell));
            if ($number < $place->row) {
                array_push($notes, ...$texts);
                array_push($titles, ...1 === \count($texts) ? $texts : []);
            }
        }

        return new self(
            source: $source,
            place: $place,
            header: $header,
            levels: $levels,
            rows: $rows,
            isWhole: $isWhole,
            notes: $notes,
            titles: $titles,
            prefersComma: $source instanceof DelimitedRows && ';' === $source->delimiter,
        );
    }

    /**
     * All rows below the header, their cells as they stand.
     *
     * @return iterable<int, list<string>>
     */
    public function each(): iterable
    {
        return $this->source->rows($this->place->row + $this->place->levels - 1);
    }

    /**
     * Cells of a column that are not empty, from the first rows.
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

    public function placeOf(string $column): int
    {
        $place = array_search($column, $this->header, true);

        return \is_int($place) ? $place : throw new \LogicException("There is no column \"$column\".");
    }

    /** @return array{array<int, list<string>>, bool} cleaned, blank rows as empty lists; and whether these are all */
    private static function first(RowSource $source): array
    {
        $first = [];
        $expected = 1;
        $bytes = 0;
        foreach ($source->rows() as $number => $cells) {
            for (; $expected < $number && \count($first) < self::SAMPLE; ++$expected) {
                $first[$expected] = [];
            }
            $expected = $number + 1;
            $cells = array_map(Cell::clean(...), $cells);
            while ([] !== $cells && '' === $cells[\count($cells) - 1]) {
                array_pop($cells);
            }
            $first[$number] = $cells;
            $bytes += \strlen(implode('', $cells));
            if (\count($first) >= self::SAMPLE || $bytes > self::SAMPLE_BYTES) {
                return [$first, false];
            }
        }

        return [$first, true];
    }

    /**
     * @param list<string> $cells
     *
     * @return list<string>
     *
     * @throws RefusedFigures
     */
    private static function fitted(int $number, array $cells, int $width): array
    {
        return \count($cells) <= $width ? $cells : throw self::tooWide($number, \count($cells), $width);
    }

    public static function tooWide(int $number, int $cells, int $width): RefusedFigures
    {
        return RefusedFigures::rows([new Refusal(
            $number,
            '',
            \sprintf(
                'it has %d cells where the header has %d. Put cells that hold the delimiter in quotes.', $cells, $width,
            ),
        )]);
    }
}
