<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/** From which cells of the workings another follows: found by trying, and kept only where it gives the very number. */
final readonly class Derivation
{
    /** @param non-empty-list<array{string, string}> $of cells, each by the key of its row and the id of its column */
    private function __construct(public DerivationRule $step, public array $of)
    {
    }

    /** @param string $key of the row, or of the sum */
    public static function maybe(string $key, Column $column, Workings $workings): ?self
    {
        $all = array_column($workings->rows, null, 'key') + $workings->sums();
        $told = $column->number($all[$key]);
        if (null === $told) {
            return null;
        }
        foreach (self::candidates($key, $all[$key], $column, $workings) as [$step, $of]) {
            $numbers = [];
            foreach ($of as [$row, $id]) {
                $from = self::column($id, $workings);
                $number = null === $from ? null : $from->number($all[$row]);
                // Without a figure it counts as nothing, as an empty cell does.
                $isNothing =
                    DerivationRule::Minus === $step && $all[$row] instanceof Row && $all[$row]->countsAsNothing($id);
                $numbers[] = null === $number && $isNothing ? BigDecimal::zero() : $number;
            }
            $known = array_values(array_filter($numbers));
            $isWhole = DerivationRule::Sum === $step || \count($known) === \count($numbers);
            if ($isWhole && [] !== $known && true === $step->result($known)?->isEqualTo($told)) {
                return new self($step, $of);
            }
        }

        return null;
    }

    /** @return \Generator<int, array{DerivationRule, non-empty-list<array{string, string}>}> */
    private static function candidates(string $key, Row|Total $of, Column $column, Workings $workings): \Generator
    {
        $sum = self::summed($key, $of, $workings);
        if ([] !== $sum && !$column->form->isOfVariance() && ColumnForm::Rate !== $column->form) {
            yield [DerivationRule::Sum, array_map(static fn (string $row): array => [$row, $column->id()], $sum)];
        }
        $pairs = match (true) {
            ColumnForm::Percent === $column->form => [
                [DerivationRule::Percent, "variance:{$column->key}", $column->key],
            ],
            $column->form->isOfVariance() => array_map(
                static fn (string $from): array => [DerivationRule::Minus, $from, $column->key],
                ['shown', $workings->scenario->value, 'second', 'total', 'used', 'rate'],
            ),
            'rate' === $column->key => [[DerivationRule::Rate, 'used', 'total']],
            'unused' === $column->key => [[DerivationRule::Minus, 'total', 'used']],
            'shown' === $column->key => [
                [DerivationRule::Same, $workings->scenario->value, null],
                [DerivationRule::Same, $workings->forecast->value ?? '', null],
            ],
            default => [],
        };
        foreach ($pairs as [$step, $first, $second]) {
            yield [$step, null === $second ? [[$key, $first]] : [[$key, $first], [$key, $second]]];
        }
        if ([] !== $sum && $column->form->isOfVariance() && ColumnForm::Variance === $column->form) {
            yield [DerivationRule::Sum, array_map(static fn (string $row): array => [$row, $column->id()], $sum)];
        }
    }

    /** @return list<string> keys of the rows that it may be the sum of */
    private static function summed(string $key, Row|Total $of, Workings $workings): array
    {
        $parts = array_values(array_filter($workings->rows, static fn (Row $row): bool => $row->role->isPart()));
        $parts = match (true) {
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
                    && !$row->period->isAfter($workings->closing),
            ),
            'landing' === $key || $of instanceof Row => array_filter(
                $parts,
                static fn (Row $row): bool => self::isOfYear($row, $workings),
            ),
            default => $parts,
        };

        return array_values(array_map(static fn (Row $row): string => $row->key, $parts));
    }

    /** @return list<Row> that stand in a group, one by one */
    private static function within(Row $group, Workings $workings): array
    {
        $within = [];
        $isIn = false;
        foreach ($workings->rows as $row) {
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
        $year = $calendar->group($workings->closing, Grain::Year);

        return $row->period->firstDay() >= $year->firstDay() && $row->period->lastDay() <= $year->lastDay();
    }

    private static function column(string $id, Workings $workings): ?Column
    {
        foreach ($workings->columns as $column) {
            if ($column->id() === $id) {
                return $column;
            }
        }

        return null;
    }
}
