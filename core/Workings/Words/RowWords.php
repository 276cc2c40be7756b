<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Words;

use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** What a row of a chart says in one line, where its marks cannot be seen. */
final readonly class RowWords
{
    public function __construct(private Workings $workings) {}

    /** What is shown and its first variance: `Jul: AC 1,031, ΔBU +82`. */
    public function brief(Row $row): string
    {
        $columns = $this->workings->table->columns;
        $amount =
            $this->workings->table->maybeColumn('shown') ??
            self::maybeFirst($columns, [ColumnForm::Amount, ColumnForm::Change, ColumnForm::Rate]);
        $variance = self::maybeFirst($columns, [ColumnForm::Variance, ColumnForm::Points]);

        return $this->said($row->name, $row, array_filter([$amount, $variance]));
    }

    /** All its numbers: `Jul 2026: AC 1,031, BU 949, ΔBU +82, ΔBU % +8.6`. */
    public function whole(Row $row): string
    {
        $isOwn = static fn (Column $column): bool => 'shown' !== $column->key || null === $row->shownScenario;

        return $this->said($row->label, $row, array_filter($this->workings->table->columns, $isOwn));
    }

    /** @param array<int, Column> $columns */
    private function said(string $name, Row $row, array $columns): string
    {
        $said = [];
        foreach ($columns as $column) {
            $told = $column->text($row) ?? $this->workings->told($column, $row);
            if ('' !== $told && null !== ($column->text($row) ?? $column->number($row))) {
                $said[] = $this->head($column, $row)." $told";
            }
        }

        return [] === $said ? $name : "$name: ".implode(', ', $said);
    }

    /** Of what is shown the scenario that it is of in this row. */
    private function head(Column $column, Row $row): string
    {
        return 'shown' === $column->key ? $row->shownScenario->value ?? $column->head : $column->head;
    }

    /**
     * @param list<Column> $columns
     * @param list<ColumnForm> $forms
     */
    private static function maybeFirst(array $columns, array $forms): ?Column
    {
        foreach ($columns as $column) {
            if (\in_array($column->form, $forms, true)) {
                return $column;
            }
        }

        return null;
    }
}
