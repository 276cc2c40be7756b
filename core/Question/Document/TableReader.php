<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableForm;
use KeenMargin\Core\Question\Table\TableSort;

/** Reads and writes the columns of a comparison table, and what its rows are in order by. */
final class TableReader
{
    public const KEYS = ['columns', 'sort'];
    private const MOST = 12;
    private const NAMES = 'AC, BU, FC, PY, TG, ΔBU (and the like), ΔBU % (and the like), share, progress, trend';

    /**
     * `["AC", "ΔBU", {"column": "ΔBU %", "as": "number"}]`.
     *
     * @return list<TableColumn>
     *
     * @throws NotAccepted
     */
    public static function columns(?Given $given): array
    {
        $columns = $names = [];
        foreach ($given?->list(1) ?? [] as $one) {
            $column = self::column($one);
            if (isset($names[$column->name()])) {
                throw $one->refuse('each column once');
            }
            $names[$column->name()] = true;
            $columns[] = $column;
        }
        if (\count($columns) > self::MOST && null !== $given) {
            throw $given->refuse('twelve columns at most');
        }

        return $columns;
    }

    /** @throws NotAccepted */
    public static function maybeSort(?Given $given): ?TableSort
    {
        if (null === $given) {
            return null;
        }
        if (!$given->isObject()) {
            return new TableSort(self::named($given, null));
        }
        $given->object(['column', 'order']);
        $order = $given->maybe('order')?->oneOf(['largest first', 'smallest first']) ?? 'largest first';

        return new TableSort(self::named($given->must('column'), null), 'largest first' === $order);
    }

    /**
     * @param list<TableColumn> $columns
     *
     * @return list<string|array<string, string>>
     */
    public static function toArray(array $columns): array
    {
        return array_map(
            static fn (TableColumn $column): string|array => $column->isUsual()
                ? $column->name()
                : ['column' => $column->name(), 'as' => $column->form->value],
            $columns,
        );
    }

    /** @return array<string, string>|null */
    public static function sort(?TableSort $sort): ?array
    {
        return null === $sort
            ? null
            : [
                'column' => $sort->column->name(),
                'order' => $sort->isLargestFirst ? 'largest first' : 'smallest first',
            ];
    }

    /** @throws NotAccepted */
    private static function column(Given $given): TableColumn
    {
        if (!$given->isObject()) {
            return self::named($given, null);
        }
        $given->object(['column', 'as']);
        $form = $given->maybe('as')?->enum(TableForm::class);
        $column = self::named($given->must('column'), $form);
        if (!\in_array($column->form, $column->forms(), true)) {
            $forms = array_map(static fn (TableForm $one): string => $one->value, $column->forms());
            throw $given->must('as')->refuse('one of '.implode(', ', $forms));
        }

        return $column;
    }

    /** @throws NotAccepted */
    private static function named(Given $given, ?TableForm $form): TableColumn
    {
        return TableColumn::maybe($given->string(), $form) ?? throw $given->refuse('one of '.self::NAMES);
    }
}
