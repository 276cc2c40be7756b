<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\Series;

/**
 * What an arrival would change, added up by period and by member. Amounts are added as whole numbers, each with the
 * decimals of its measure. There may be a million of them: each is looked at once, and few are made objects of.
 */
final class Differences
{
    /** Single differences that are kept to be looked at; the others are counted and added up. */
    public const MOST_KEPT = 20_000;

    private int $added = 0;
    private int $changed = 0;
    private int $removed = 0;
    private int $inNewPeriods = 0;
    private int $inClosedPeriods = 0;
    /** @var list<Difference> */
    private array $kept = [];
    /** @var array<string, array<string, array<int, ChangedSum>>> by measure, scenario code and start */
    private array $periods = [];
    /** @var array<string, array<int, array<string|int, ChangedSum>>> by measure, place of the breakdown and member */
    private array $members = [];

    public function __construct(public readonly KnownPeriods $known)
    {
    }

    /**
     * @param array<int, int> $was amounts of one series by period start
     * @param array<int, int> $is the same as they would be
     */
    public function addSeries(Series $series, array $was, array $is): void
    {
        $ofSeries = new ChangedSum();
        $periods = &$this->periods[$series->measure][$series->scenario->value];
        $periods ??= [];
        // What stays goes first: arrays are compared at once.
        foreach (array_diff_assoc($is, $was) as $start => $amount) {
            $before = $was[$start] ?? null;
            null === $before ? ++$this->added : ++$this->changed;
            $this->keep($series, $start, $before, $amount);
            $change = $amount - ($before ?? 0);
            ($periods[$start] ??= new ChangedSum())->add($change);
            $ofSeries->add($change);
        }
        foreach (array_diff_key($was, $is) as $start => $amount) {
            ++$this->removed;
            $this->keep($series, $start, $amount, null);
            ($periods[$start] ??= new ChangedSum())->add(-$amount);
            $ofSeries->add(-$amount);
        }
        unset($periods);
        if ($ofSeries->cells > 0) {
            foreach ($series->members() as $place => $member) {
                ($this->members[$series->measure][$place][$member] ??= new ChangedSum())->addAll($ofSeries);
            }
        }
    }

    public function counts(): ArrivalCounts
    {
        return new ArrivalCounts(
            $this->added,
            $this->changed,
            $this->removed,
            $this->inNewPeriods,
            $this->inClosedPeriods,
        );
    }

    /**
     * Totals that move, closed periods first, then in calendar order.
     *
     * @return list<array{measure: string, scenario: Scenario, start: int, sum: ChangedSum}>
     */
    public function periods(): array
    {
        $rows = [];
        foreach ($this->periods as $measure => $byScenario) {
            foreach ($byScenario as $scenario => $byStart) {
                ksort($byStart);
                foreach ($byStart as $start => $sum) {
                    $rows[] = [
                        'measure' => (string) $measure,
                        'scenario' => Scenario::from((string) $scenario),
                        'start' => $start,
                        'sum' => $sum,
                    ];
                }
            }
        }
        usort(
            $rows,
            fn (array $a, array $b): int => $this->known->isClosed($b['start']) <=> $this->known->isClosed($a['start']),
        );

        return $rows;
    }

    /**
     * Members whose amounts change, those that change most first.
     *
     * @param int $place of the breakdown
     *
     * @return list<array{measure: string, member: string, sum: ChangedSum}>
     */
    public function members(int $place): array
    {
        $rows = [];
        foreach ($this->members as $measure => $byPlace) {
            foreach ($byPlace[$place] ?? [] as $member => $sum) {
                $rows[] = ['measure' => (string) $measure, 'member' => (string) $member, 'sum' => $sum];
            }
        }
        usort($rows, static fn (array $a, array $b): int => $b['sum']->size() <=> $a['sum']->size());

        return $rows;
    }

    /** @return list<Difference> closed periods first, then what changes most; of very many only the first that came */
    public function each(): array
    {
        $rows = $this->kept;
        usort(
            $rows,
            fn (Difference $a, Difference $b): int => [
                $this->known->isClosed($b->start),
                abs($b->change()),
                $a->start,
            ] <=> [$this->known->isClosed($a->start), abs($a->change()), $b->start],
        );

        return $rows;
    }

    private function keep(Series $series, int $start, ?int $was, ?int $is): void
    {
        $this->inNewPeriods += $this->known->isNew($series->scenario, $start) ? 1 : 0;
        $this->inClosedPeriods += $this->known->isClosed($start) ? 1 : 0;
        if (\count($this->kept) < self::MOST_KEPT) {
            $this->kept[] = new Difference($series, $start, $was, $is);
        }
    }
}
