<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Changes;

use KeenMargin\Core\Figures\Keeping\AmountChange;

/**
 * One change of a dataset that is done, undone and done again as a whole: rows of tables, and amounts.
 */
final readonly class Change
{
    /**
     * @param string $says what was done, as a sentence without its full stop
     * @param list<TableRowChange> $rows
     * @param ?int $import by hand, that the amounts belong to
     * @param array<int, array{decimals: int, cells: list<AmountChange>}> $series by id: their amounts, with so many
     *                                                                            decimals
     */
    public function __construct(
        public string $says,
        public array $rows = [],
        public ?int $import = null,
        public array $series = [],
    ) {}

    public function toJson(): string
    {
        return json_encode(
            [
                'rows' => array_map(static fn (TableRowChange $row): array => $row->toArray(), $this->rows),
                'import' => $this->import,
                'series' => array_map(
                    static fn (array $one): array => [
                        $one['decimals'],
                        array_map(
                            static fn (AmountChange $cell): array => [
                                $cell->start, $cell->was, $cell->wasImport, $cell->is,
                            ],
                            $one['cells'],
                        ),
                    ],
                    $this->series,
                ),
            ],
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
        );
    }

    public static function ofJson(string $says, string $json): self
    {
        /**
         * @var array{
         *     rows: list<array{key-of<TableRowChange::TABLES>, int, array<string, int|string|null>|null, array<string,
         *     int|string|null>|null}>,
         *     import: ?int, series: array<int, array{int, list<array{int, ?int, ?int, ?int}>}>,
         * } $read
         */
        $read = json_decode($json, true, 16, \JSON_THROW_ON_ERROR);

        return new self(
            $says,
            array_map(static fn (array $row): TableRowChange => new TableRowChange(...$row), $read['rows']),
            $read['import'],
            array_map(
                static fn (array $one): array => [
                    'decimals' => $one[0],
                    'cells' => array_map(static fn (array $cell): AmountChange => new AmountChange(...$cell), $one[1]),
                ],
                $read['series'],
            ),
        );
    }
}
