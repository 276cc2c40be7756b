<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\Series;

/**
 * What an arrival would change, added up by period and by member. Amounts are added as whole numbers, each with the
 * decimals of its measure.
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

    public function add(Difference $difference): void
    {
        match (true) {
            null === $difference->was => ++$this->added,
            null === $difference->is => ++$this->removed,
            default => ++$this->changed,
        };
        $this->inNewPeriods += $this->known->isNew($difference->series->scenario, $difference->start) ? 1 : 0;
        $this->inClosedPeriods += $this->known->isClosed($difference->start) ? 1 : 0;
        if (\count($this->kept) < self::MOST_KEPT) {
            $this->kept[] = $difference;
        }
        $series = $difference->series;
        [$measure, $scenario, $start] = [$series->measure, $series->scenario->value, $difference->start];
        $sum = $this->periods[$measure][$scenario][$start] ?? new ChangedSum();
        $this->periods[$measure][$scenario][$start] = $sum->and($difference);
        foreach ($series->members() as $place => $member) {
            $sum = $this->members[$measure][$place][$member] ?? new ChangedSum();
            $this->members[$measure][$place][$member] = $sum->and($difference);
        }
    }

    /**
     * @param array<int, int> $was amounts of one series by period start
     * @param array<int, int> $is the same as they would be
     */
    public function addSeries(Series $series, array $was, array $is): void
    {
        foreach ($is as $start => $amount) {
            if (($was[$start] ?? null) !== $amount) {
                $this->add(new Difference($series, $start, $was[$start] ?? null, $amount));
            }
        }
        foreach (array_diff_key($was, $is) as $start => $amount) {
            $this->add(new Difference($series, $start, $amount, null));
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
}
