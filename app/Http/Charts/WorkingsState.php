<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Http\Contract\Charts\WorkingsColumnJson;
use KeenMargin\App\Http\Contract\Charts\WorkingsRowJson;
use KeenMargin\App\Http\Contract\Charts\WorkingsSumJson;
use KeenMargin\App\Http\Contract\Charts\WorkingsTableJson;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/** The workings as the API tells them: every number written out. */
final class WorkingsState
{
    /**
     * Columns with their heads and rules, rows with their cells as text.
     *
     * @param ?int $first how many rows are told; null: all
     */
    public static function of(Workings $workings, ?int $first): WorkingsTableJson
    {
        $rows = \array_slice($workings->table->rows, 0, $first);

        return new WorkingsTableJson(
            unit: $workings->context->display->unitText(),
            rowsAre: $workings->context->by instanceof Grain ? 'Period' : $workings->context->by ?? 'Of',
            columns: array_map(
                static fn (Column $column): WorkingsColumnJson => new WorkingsColumnJson(
                    id: $column->id(),
                    head: $column->head,
                    rule: $column->rule,
                    reference: $column->form->isOfVariance() ? $column->key : null,
                ),
                $workings->table->columns,
            ),
            rows: array_map(static fn (Row $row): WorkingsRowJson => self::row($row, $workings), $rows),
            more: \count($workings->table->rows) - \count($rows),
            sums: self::sums($workings),
        );
    }

    /** @return list<WorkingsSumJson> without those that a waterfall's last row says already, or that say nothing */
    private static function sums(Workings $workings): array
    {
        $ends = array_filter($workings->table->rows, static fn (Row $row): bool => RowRole::End === $row->role);
        $said = array_map(static fn (Row $row): array => self::cells($workings, $row), array_values($ends));
        $sums = [];
        foreach ($workings->table->sums() as $key => $total) {
            $cells = self::cells($workings, $total);
            $isEmpty = [NumberFormat::NONE] === array_values(array_unique($cells));
            if (!$isEmpty && !\in_array($cells, $said, true)) {
                $sums[] = new WorkingsSumJson(key: $key, label: Workings::SUMS[$key] ?? $key, cells: (object) $cells);
            }
        }

        return $sums;
    }

    /** @return array<string, string> by column */
    private static function cells(Workings $workings, Row|Total $of): array
    {
        $cells = [];
        foreach ($workings->table->columns as $column) {
            $cells[$column->id()] = $workings->told($column, $of);
        }

        return $cells;
    }

    /** @return array<string, ?string> by column */
    private static function effects(Row $row, Workings $workings): array
    {
        $effects = [];
        foreach ($workings->table->columns as $column) {
            if ($column->form->isOfVariance()) {
                $effects[$column->id()] = $workings->effectOf($column, $row)?->value;
            }
        }

        return $effects;
    }

    /** @return array<string, string> by reference, the periods that are compared where the row has others */
    private static function only(Row $row): array
    {
        $only = [];
        foreach (array_keys($row->variances) as $reference) {
            $only[$reference] = $row->comparesOnly($reference);
        }

        return array_filter($only);
    }

    /** Totals of a waterfall are of one side, and not all its rows have a share. */
    private static function isBesideThePoint(Row $row, Column $column): bool
    {
        return isset($row->values['to']) && ($row->role->isWhole() || ColumnForm::Rate === $column->form);
    }

    private static function row(Row $row, Workings $workings): WorkingsRowJson
    {
        $cells = self::cells($workings, $row);
        foreach ($workings->table->columns as $column) {
            // Of actual and forecast one is enough.
            $isOther =
                null !== $row->shown
                && \in_array(
                    $column->key, [$workings->context->scenario->value, $workings->context->forecast?->value], true,
                );
            $isNumber = ColumnForm::Band !== $column->form && !$column->form->isOfVariance();
            if (null === $column->number($row) && $isNumber && !$isOther) {
                $hasNone = $row->countsAsNothing($column->key) || self::isBesideThePoint($row, $column);
                $cells[$column->id()] = $hasNone ? NumberFormat::NONE : 'missing';
            }
        }

        return new WorkingsRowJson(
            key: $row->key->id,
            ref: $row->key->toJson(),
            label: $row->label,
            role: $row->role->value,
            depth: $row->depth,
            panel: $row->panel,
            shown: $row->shownScenario?->value,
            cells: (object) $cells,
            effects: (object) self::effects($row, $workings),
            only: (object) self::only($row),
            flags: (object) array_map(
                static fn (?Variance $variance): bool => $variance->flagged ?? false,
                $row->variances,
            ),
            flagged: $row->variance($workings->table->reference())->flagged ?? false,
        );
    }
}
