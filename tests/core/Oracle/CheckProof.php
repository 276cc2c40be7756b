<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Looks again whether a check that holds is true, from the oracle's numbers. */
final readonly class CheckProof
{
    private Expected $expected;

    public function __construct(
        private RandomLedger $ledger,
        private Asked $asked,
        private Workings $workings,
        private Reckoning $oracle,
    ) {
        $this->expected = $oracle->workings();
    }

    /** Why it is not true; empty where it is. */
    public function against(Check $check): string
    {
        return match (true) {
            'rows-sum-to-total' === $check->id => $this->sums(),
            'none-missing' === $check->id => $this->missing(),
            'parts-make-total' === $check->id => $this->capacity(
                static fn (array $of): bool => $of['used']->plus($of['unused'])->isEqualTo($of['total']),
            ),
            'within-capacity' === $check->id => $this->capacity(
                static fn (array $of): bool => $of['used']->isLessThanOrEqualTo($of['total']),
            ),
            'prior-year-derived' === $check->id => $this->derived($check->says),
            str_starts_with($check->id, 'absent-') => $this->absent($check),
            'no-total' === $check->id => null === $this->workings->table->total->shown ? '' : 'there is one',
            // The result itself is held against the oracle's.
            'lines-net-to-result' === $check->id => null === $this->expected->total ? 'there is no result' : '',
            'total-rule' === $check->id => $this->hasTotalAsRuled(),
            // Each running total is itself held against the oracle.
            'pro-rata' === $check->id => $this->asked->isProRata ? '' : 'nobody asked for it',
            'running' === $check->id => null === $this->asked->cumulate ? 'nothing is running' : '',
            'part-forecast' === $check->id => null === $this->asked->forecast ? 'there is no forecast' : '',
            default => "nothing proves {$check->id}",
        };
    }

    /** @return list<ExpectedRow> */
    private function parts(): array
    {
        return array_values(array_filter(
            $this->expected->rows,
            static fn (ExpectedRow $row): bool => \in_array($row->role, ['row', 'other'], true),
        ));
    }

    private function sums(): string
    {
        $total = $this->expected->total;
        if (null === $total) {
            return 'there is no total';
        }
        $isCapacity = 'capacity' === $this->ledger->family();
        $shown = static fn (Numbers $of): ?BigRational => $isCapacity ? $of->values['used'] : $of->shown;
        if (
            !self::isSum(
                array_map(static fn (ExpectedRow $row): ?BigRational => $shown($row->numbers), $this->parts()),
                $shown($total),
            )
        ) {
            return 'amounts do not add up';
        }
        // Rates are not added.
        foreach (array_diff_key($total->variances, ['rateTarget' => 1]) as $reference => $pair) {
            $differences = array_map(
                static fn (ExpectedRow $row): ?BigRational => ($row->numbers->variances[$reference] ?? null)
                    ?->difference,
                $this->parts(),
            );
            if (!self::isSum($differences, $pair?->difference)) {
                return "variances against $reference do not add up";
            }
        }

        return '';
    }

    /** @param list<?BigRational> $numbers */
    private static function isSum(array $numbers, ?BigRational $sum): bool
    {
        $of = array_reduce(
            $numbers,
            static fn (BigRational $sum, ?BigRational $next): BigRational => null === $next ? $sum : $sum->plus($next),
            BigRational::zero(),
        );

        return $of->isEqualTo($sum ?? BigRational::zero());
    }

    private function missing(): string
    {
        $isAdded = $this->ledger->measures[$this->asked->measure]->isAdded();
        foreach ($this->workings->table->rows as $i => $row) {
            $isThere =
                null !== $this->expected->rows[$i]->numbers->shown
                || ('capacity' === $this->ledger->family()
                    && null !== ($this->expected->rows[$i]->numbers->values['used'] ?? null));
            $isNothing = $isAdded && $this->oracle->showsAny($this->starts($row));
            if (!$isThere && !$isNothing) {
                return "{$row->key->id} is";
            }
        }

        return '';
    }

    /** @return list<string> first days of the finest periods of a row */
    private function starts(Row $row): array
    {
        return array_map(
            static fn ($period): string => gmdate('Y-m-d', $period->firstDay() * 86_400),
            $row->own->list ?? [],
        );
    }

    /** @param callable(array<string, BigRational>): bool $holds */
    private function capacity(callable $holds): string
    {
        foreach ($this->expected->rows as $row) {
            $of = array_map(
                static fn (?BigRational $value): BigRational => $value ?? BigRational::zero(),
                array_intersect_key($row->numbers->values, ['used' => 1, 'unused' => 1, 'total' => 1]),
            );
            if (null !== ($row->numbers->values['used'] ?? ($row->numbers->values['total'] ?? null)) && !$holds($of)) {
                return "not so in {$row->key}";
            }
        }

        return '';
    }

    /** `3 routes have budget and no actual, counted as nothing` */
    private function absent(Check $check): string
    {
        if ('absent-part' === $check->id) {
            $lacking = array_filter($this->parts(), static fn (ExpectedRow $row): bool => $row->numbers->lacksPart);

            return (int) $check->says === \count($lacking) ? '' : \count($lacking).' lack a part';
        }
        [, $reference, $side] = explode('-', $check->id);
        $is = static fn (ExpectedRow $row): bool => [] !==
            array_filter(
                $row->numbers->variances,
                static fn (?Pair $pair, string $key): bool => strtolower($key) === $reference
                    && $side === $pair?->absent,
                \ARRAY_FILTER_USE_BOTH,
            );
        $count = \count(array_filter($this->parts(), $is));

        return (int) str_replace(',', '', $check->says) === $count ? '' : "$count have";
    }

    private function derived(string $says): string
    {
        if ('Prior year is the actual of one year earlier' !== $says) {
            return str_starts_with($says, 'Prior year came in for some periods; for ') ? '' : 'it says something else';
        }
        $cameIn = array_filter(
            $this->ledger->facts->rows,
            fn (Fact $fact): bool => 'PY' === $fact->scenario
                && $fact->measure === $this->asked->measure
                && $this->oracle->isAbout($fact->start),
        );

        return [] === $cameIn ? '' : 'some came in';
    }

    private function hasTotalAsRuled(): string
    {
        $rule = $this->ledger->measures[$this->asked->measure];
        $isRuled = 'sum' !== $rule->grouping || !$rule->isAdded();

        return $isRuled ? '' : 'the measure is added up';
    }
}
