<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;

/** The numbers of the workings: rows in the order in which they are drawn, columns, and sums over the rows. */
final readonly class WorkingsTable
{
    /**
     * @param list<Row> $rows
     * @param list<Column> $columns numbers that every row has
     * @param list<Reference> $references the first is the one that the summary tells variances of
     * @param ?Total $toDate of the closed periods of the closing period's fiscal year; null where there are none
     * @param ?Total $landing of the closing period's fiscal year: actual to date and forecast for the rest; null where
     *                        nothing of it is forecast
     */
    public function __construct(
        public array $rows,
        public array $columns,
        public array $references,
        public Total $total,
        public ?Total $toDate = null,
        public ?Total $landing = null,
    ) {}

    public function reference(): ?Reference
    {
        return $this->references[0] ?? null;
    }

    /** @return non-empty-list<list<Row>> rows of each panel; one empty list where there are no rows */
    public function panels(): array
    {
        $panels = [];
        foreach ($this->rows as $row) {
            $panels[$row->key->panel->id ?? ''][] = $row;
        }

        return [] === $panels ? [[]] : array_values($panels);
    }

    /** @param string $id of its key */
    public function maybeRow(string $id): ?Row
    {
        foreach ($this->rows as $row) {
            if ($id === $row->key->id) {
                return $row;
            }
        }

        return null;
    }

    /** Whether the sum of all rows is one of the rows. */
    public function hasTotalRow(): bool
    {
        $isTotal = static fn (Row $row): bool => RowRole::Total === $row->role && null === $row->key->panel;

        return [] !== array_filter($this->rows, $isTotal);
    }

    /** @return array<string, Row> by the ids of their keys */
    public function rowsByKey(): array
    {
        return array_combine($this->keys(), $this->rows);
    }

    /** @return list<string> ids of the rows' keys */
    public function keys(): array
    {
        return array_map(static fn (Row $row): string => $row->key->id, $this->rows);
    }

    /** @return list<Row> those that count when rows are added up */
    public function parts(): array
    {
        return array_values(array_filter($this->rows, static fn (Row $row): bool => $row->role->isPart()));
    }

    public function maybeColumn(string $id): ?Column
    {
        foreach ($this->columns as $column) {
            if ($id === $column->id()) {
                return $column;
            }
        }

        return null;
    }

    /** @return array<string, Total> sums that sentences and messages name, by their keys */
    public function sums(): array
    {
        return array_filter(
            ['total' => $this->total, 'toDate' => $this->toDate, 'landing' => $this->landing],
            static fn (?Total $total): bool => null !== $total,
        );
    }
}
