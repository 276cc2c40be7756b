<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\DerivationRule;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/** From which cells of the workings another follows: found by trying, and kept only where it gives the very number. */
final readonly class Derivation
{
    /**
     * From the cells of the rows in the columns: one row and several columns, or several rows and one column.
     *
     * @param non-empty-list<string> $rows keys
     * @param non-empty-list<string> $columns ids
     */
    private function __construct(public DerivationRule $rule, public array $rows, public array $columns) {}

    /**
     * How the cell of a row, or of a sum, follows from others.
     *
     * @return ?self null where no rule gives its number, or it has none
     */
    public static function maybe(string $key, Column $column, Workings $workings): ?self
    {
        $all = $workings->table->rowsByKey() + $workings->table->sums();
        $told = $column->number($all[$key]);
        if (null === $told) {
            return null;
        }
        foreach (self::candidates($key, $all[$key], $column, $workings) as $candidate) {
            if (true === $candidate->result($all, $workings)?->isEqualTo($told)) {
                return $candidate;
            }
        }

        return null;
    }

    /** @param array<string, Row|Total> $all rows and sums by their keys */
    private function result(array $all, Workings $workings): ?BigDecimal
    {
        $numbers = [];
        foreach ($this->rows as $key) {
            foreach ($this->columns as $id) {
                $number = $workings->table->maybeColumn($id)?->number($all[$key]);
                // Without a figure it counts as nothing, as an empty cell does.
                $isNothing =
                    DerivationRule::Minus === $this->rule
                    && $all[$key] instanceof Row
                    && $all[$key]->countsAsNothing($id);
                $numbers[] = null === $number && $isNothing ? BigDecimal::zero() : $number;
            }
        }
        $known = array_values(array_filter($numbers));
        $isWhole = DerivationRule::Sum === $this->rule || \count($known) === \count($numbers);

        return $isWhole && [] !== $known ? $this->rule->result($known) : null;
    }

    /** @return \Generator<int, self> */
    private static function candidates(string $key, Row|Total $of, Column $column, Workings $workings): \Generator
    {
        foreach (self::earlier($key, $column, $workings) as [$row, $id]) {
            yield new self(DerivationRule::Same, [$row], [$id]);
        }
        $summed = null !== $column->follows ? [] : self::summed($key, $of, $workings);
        $sum = [] === $summed ? null : new self(DerivationRule::Sum, $summed, [$column->id()]);
        if (null !== $sum && \in_array($column->form, [ColumnForm::Amount, ColumnForm::Change], true)) {
            yield $sum;
        }
        foreach ($column->formulas as $formula) {
            yield new self($formula->rule, [$key], $formula->columns);
        }
        if (null !== $sum && ColumnForm::Variance === $column->form) {
            yield $sum;
        }
    }

    /**
     * Cells of the rows before it that a number may go on from: where the row before ended, or where it began, of the
     * first step of an opened one.
     *
     * @return list<array{string, string}> keys of rows and ids of columns, the likeliest first
     */
    private static function earlier(string $key, Column $column, Workings $workings): array
    {
        if (null === $column->follows) {
            return [];
        }
        $place = array_search($key, $workings->table->keys(), true);
        if (false === $place || 0 === $place) {
            return [];
        }
        $before = $workings->table->rows[$place - 1]->key->id;

        return [[$before, $column->follows], [$before, $column->id()]];
    }

    /** @return list<string> keys of the rows that it may be the sum of */
    private static function summed(string $key, Row|Total $of, Workings $workings): array
    {
        $parts = array_values(array_filter(
            $workings->table->rows,
            static fn (Row $row): bool => $row->role->isPart() && null === $row->parent,
        ));
        $own = $of instanceof Row ? self::ownSteps($of, $workings) : [];
        $parts = match (true) {
            [] !== $own => $own,
            $of instanceof Row && RowRole::Group === $of->role => self::within($of, $workings),
            $of instanceof Row && RowRole::Total === $of->role => array_filter(
                $parts,
                static fn (Row $row): bool => $row->panel === $of->panel,
            ),
            $of instanceof Row && RowRole::Landing !== $of->role => [],
            'toDate' === $key => array_filter(
                $parts,
                static fn (Row $row): bool => self::isOfYear($row, $workings)
                    && null !== $row->period
                    && !$row->period->isAfter($workings->context->closing),
            ),
            'landing' === $key || $of instanceof Row => array_filter(
                $parts,
                static fn (Row $row): bool => self::isOfYear($row, $workings),
            ),
            default => $parts,
        };

        return array_values(array_map(static fn (Row $row): string => $row->key->id, $parts));
    }

    /** @return list<Row> steps of an opened one; none where it is not opened */
    private static function ownSteps(Row $of, Workings $workings): array
    {
        return array_values(
            array_filter($workings->table->rows, static fn (Row $row): bool => true === $row->parent?->is($of->key)),
        );
    }

    /** @return list<Row> that stand in a group, one by one */
    private static function within(Row $group, Workings $workings): array
    {
        $within = [];
        $isIn = false;
        foreach ($workings->table->rows as $row) {
            if ($row === $group) {
                $isIn = true;
            } elseif ($isIn && ($row->depth <= $group->depth || $row->panel !== $group->panel)) {
                break;
            } elseif ($isIn && $row->role->isPart()) {
                $within[] = $row;
            }
        }

        return $within;
    }

    private static function isOfYear(Row $row, Workings $workings): bool
    {
        if (null === $row->period || Grain::Timeless === $row->period->grain) {
            return false;
        }
        $calendar = $row->period->calendar();
        $year = $workings->context->closing->group(Grain::Year, $calendar);

        return $row->period->firstDay() >= $year->firstDay() && $row->period->lastDay() <= $year->lastDay();
    }
}
