<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;

/** Puts rows in the order of a question: groups keep what stands in them, gathered rows and totals stay at the end. */
final readonly class RowsInOrder
{
    /** @param array<string, string> $roles of lines */
    public function __construct(
        private Asked $asked,
        private string $family,
        private array $roles,
        private Rule $rule,
    ) {}

    /**
     * @param list<ExpectedRow> $rows
     *
     * @return list<ExpectedRow>
     */
    public function of(array $rows): array
    {
        if ('given' === $this->asked->order) {
            return $rows;
        }
        $isLast = static fn (ExpectedRow $row): bool => \in_array($row->role, ['other', 'total'], true);
        $last = array_values(array_filter($rows, $isLast));
        $first = array_values(array_filter($rows, static fn (ExpectedRow $row): bool => !$isLast($row)));

        return [...$this->level($first), ...$last];
    }

    /**
     * Rows of one of several charts as they stand in all together.
     *
     * @param list<ExpectedRow> $together
     * @param list<ExpectedRow> $rows
     *
     * @return list<ExpectedRow>
     */
    public function like(array $together, array $rows): array
    {
        $places = array_flip(array_map(static fn (ExpectedRow $row): string => $row->key, $together));
        if ('given' !== $this->asked->order) {
            usort(
                $rows,
                static fn (ExpectedRow $a, ExpectedRow $b): int => ($places[$a->key] ?? \PHP_INT_MAX) <=>
                    ($places[$b->key] ?? \PHP_INT_MAX),
            );
        }

        return $rows;
    }

    /**
     * @param list<ExpectedRow> $rows
     *
     * @return list<ExpectedRow>
     */
    private function level(array $rows): array
    {
        $heads = $within = [];
        $depth = [] === $rows ? 0 : min(array_map(static fn (ExpectedRow $row): int => $row->depth, $rows));
        foreach ($rows as $row) {
            if ($row->depth > $depth && [] !== $heads) {
                $within[$heads[\count($heads) - 1]->key][] = $row;
            } else {
                $heads[] = $row;
            }
        }
        usort($heads, $this->compare(...));

        return array_merge(
            [],
            ...array_map(
                fn (ExpectedRow $head): array => [
                    $head,
                    ...isset($within[$head->key]) ? $this->level($within[$head->key]) : [],
                ],
                $heads,
            ),
        );
    }

    private function compare(ExpectedRow $a, ExpectedRow $b): int
    {
        [$one, $other] = [$this->number($a), $this->number($b)];
        if (null === $one || null === $other) {
            return (null === $one ? 1 : 0) <=> (null === $other ? 1 : 0);
        }

        return 'smallest first' === $this->asked->order ? $one->compareTo($other) : $other->compareTo($one);
    }

    /** What counts as nothing stands where nought does. */
    private function number(ExpectedRow $row): ?BigRational
    {
        if ('favourable first' !== $this->asked->order) {
            return $row->numbers->shown ?? ($row->numbers->isAbsent() ? BigRational::zero() : null);
        }
        $reference = 'capacity' === $this->family ? 'rateTarget' : (string) array_key_first($row->numbers->variances);
        $difference = ($row->numbers->variances[$reference] ?? null)?->difference;

        return Betterness::isLess($this->asked, $this->roles, $this->rule, $row->takesAway)
            ? $difference?->negated()
            : $difference;
    }
}
