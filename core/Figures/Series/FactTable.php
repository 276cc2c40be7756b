<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Series;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\Period;

/** Figures held in memory, a series at a time. Every key stands once. */
final readonly class FactTable implements Figures
{
    /**
     * @param list<Series> $series
     * @param list<string> $packed amounts of the same series, with the decimals of its measure
     * @param Sums $totals of all series, which most questions are about
     */
    public function __construct(
        private Dataset $dataset,
        public array $series,
        public array $packed,
        private Sums $totals,
    ) {}

    public function dataset(): Dataset
    {
        return $this->dataset;
    }

    public function named(string $name, string $organisation): self
    {
        return new self($this->dataset->named($name, $organisation), $this->series, $this->packed, $this->totals);
    }

    public function count(): int
    {
        return array_sum(array_map(PackedAmounts::count(...), $this->packed));
    }

    /** @return \Generator<int, Fact> series by series, each in calendar order */
    public function facts(): \Generator
    {
        foreach ($this->series as $i => $series) {
            $decimals = $this->dataset->maybeMeasure($series->measure)->decimals ?? 0;
            foreach (PackedAmounts::unpack($this->packed[$i]) as $start => $amount) {
                yield new Fact(
                    $series->measure,
                    $series->scenario,
                    Period::ofStart($this->dataset->grain, $start, $this->dataset->calendar),
                    [] === $this->dataset->breakdowns ? [] : $series->members(),
                    BigDecimal::ofUnscaledValue($amount, $decimals),
                );
            }
        }
    }

    public function sumsBySeries(array $measures, array $where, array $scenarios): array
    {
        return $this->added($measures, $where, static fn (Series $series): string => $series->joined, $scenarios);
    }

    public function sums(array $measures, array $where): Sums
    {
        return [] === $where
            ? $this->totals
            : $this->added($measures, $where, static fn (): string => '', Scenario::cases())[''] ?? new Sums();
    }

    public function sumsBy(string $breakdown, array $measures, array $where, array $scenarios): array
    {
        $place = $this->dataset->placeOf($breakdown);
        $sums = $this->added(
            $measures,
            $where,
            static fn (Series $series): string => $series->member($place),
            $scenarios,
        );
        $ordered = [];
        foreach ($this->dataset->breakdowns[$place]->members as $member) {
            if (isset($sums[$member])) {
                $ordered[$member] = $sums[$member];
            }
        }

        return $ordered;
    }

    /**
     * @param list<string> $measures
     * @param list<MemberFilter|NumberFilter> $where
     * @param callable(Series): string $by tells sums apart
     * @param list<Scenario> $scenarios
     *
     * @return array<string|int, Sums> by what they are told apart by
     */
    private function added(array $measures, array $where, callable $by, array $scenarios): array
    {
        $adders = [];
        $where = array_map($this->withLeaves(...), $where);
        $beside = $this->beside($where);
        $actual = Scenario::Actual->value;
        foreach ($this->series as $i => $series) {
            if (
                !\in_array($series->measure, $measures, true)
                || !\in_array($series->scenario, $scenarios, true)
                || !$this->passes($series, $where)
            ) {
                continue;
            }
            $key = $by($series);
            $adders[$key] ??= new SeriesAdder();
            $packed = array_reduce(
                $beside,
                static fn (string $packed, BesideFilter $filter): string => $filter->kept(
                    $series->scenario->value, $actual, $series->joined, $packed,
                ),
                $this->packed[$i],
            );
            $adders[$key]->add(
                $series->measure,
                $series->scenario->value,
                $packed,
                true === $this->dataset->maybeMeasure($series->measure)?->isCounted() ? '' : false,
            );
        }

        return array_map(fn (SeriesAdder $adder): Sums => $adder->sums($this->dataset), $adders);
    }

    /** The same filter, of what stands in the groups that it names. */
    private function withLeaves(MemberFilter|NumberFilter $filter): MemberFilter|NumberFilter
    {
        $breakdown = $this->dataset->maybeBreakdown($filter->field());
        if (!$filter instanceof MemberFilter || null === $breakdown || [] === $breakdown->parents) {
            return $filter;
        }
        $members = array_merge(...array_map($breakdown->within(...), $filter->members));

        return new MemberFilter($filter->breakdown, array_values(array_unique($members)), $filter->keeps);
    }

    /** @param list<MemberFilter|NumberFilter> $where */
    private function passes(Series $series, array $where): bool
    {
        foreach ($where as $filter) {
            if (
                null !== $this->dataset->maybeBreakdown($filter->field())
                && !$filter->letsText($series->member($this->dataset->placeOf($filter->field())))
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<BesideFilter> of the filters by another measure
     */
    private function beside(array $where): array
    {
        $filters = [];
        foreach ($where as $filter) {
            if (!($filter instanceof NumberFilter) || null !== $this->dataset->maybeBreakdown($filter->field)) {
                continue;
            }
            $filters[] = $beside = new BesideFilter(
                $filter,
                $this->dataset->maybeMeasure($filter->field)->decimals ?? 0,
            );
            foreach ($this->series as $i => $series) {
                if ($series->measure === $filter->field) {
                    $beside->put($series->scenario->value, $series->joined, $this->packed[$i]);
                }
            }
        }

        return $filters;
    }
}
