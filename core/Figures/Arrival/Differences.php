<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use Brick\Math\BigInteger;
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
    /** @var list<AmountDifference> */
    private array $kept = [];
    /** @var array<string, array<string, array<int, int|BigInteger>>> sums by measure, scenario code and start */
    private array $changes = [];
    /** @var array<string, array<string, array<int, int>>> how many amounts, by the same */
    private array $cells = [];
    /** @var array<string, array<int, array<string|int, ChangedSum>>> by measure, place of the breakdown and member */
    private array $members = [];

    public function __construct(public readonly KnownPeriods $known) {}

    /**
     * @param array<int, int> $was amounts of one series by period start
     * @param array<int, int> $is the same as they would be
     */
    public function addSeries(Series $series, array $was, array $is): void
    {
        $new = [] === $was ? $is : array_diff_assoc($is, $was);
        $gone = [] === $was ? [] : array_diff_key($was, $is);
        $before = array_intersect_key($was, $new);
        $count = \count($new) + \count($gone);
        if (0 === $count) {
            return;
        }
        $this->changed += \count($before);
        $this->added += \count($new) - \count($before);
        $this->removed += \count($gone);
        $changes = $new;
        // Amounts have 18 digits at most: the difference of two fits.
        foreach ($before as $start => $amount) {
            $changes[$start] -= $amount;
        }
        foreach ($gone as $start => $amount) {
            $changes[$start] = -$amount;
        }
        $sums = &$this->changes[$series->measure][$series->scenario->value];
        $cells = &$this->cells[$series->measure][$series->scenario->value];
        foreach ($changes as $start => $change) {
            $sums[$start] = ChangedSum::sum($sums[$start] ?? 0, $change);
            $cells[$start] = ($cells[$start] ?? 0) + 1;
        }
        unset($sums, $cells);
        $ofSeries = array_reduce($changes, ChangedSum::sum(...), 0);
        foreach ($series->members() as $place => $member) {
            $sum = $this->members[$series->measure][$place][$member] ?? new ChangedSum(0, 0);
            $this->members[$series->measure][$place][$member] = $sum->with($ofSeries, $count);
        }
        $this->keep($series, $was, $new, $gone);
    }

    public function counts(): ArrivalCounts
    {
        $inNewPeriods = $inClosedPeriods = 0;
        foreach ($this->cells as $byScenario) {
            foreach ($byScenario as $scenario => $byStart) {
                foreach ($byStart as $start => $cells) {
                    $inNewPeriods += $this->known->isNew(Scenario::from((string) $scenario), $start) ? $cells : 0;
                    $inClosedPeriods += $this->known->isClosed($start) ? $cells : 0;
                }
            }
        }

        return new ArrivalCounts($this->added, $this->changed, $this->removed, $inNewPeriods, $inClosedPeriods);
    }

    /**
     * Totals that move, closed periods first, then in calendar order.
     *
     * @return list<array{measure: string, scenario: Scenario, start: int, sum: ChangedSum}>
     */
    public function periods(): array
    {
        $rows = [];
        foreach ($this->changes as $measure => $byScenario) {
            foreach ($byScenario as $scenario => $byStart) {
                ksort($byStart);
                foreach ($byStart as $start => $change) {
                    $rows[] = [
                        'measure' => (string) $measure,
                        'scenario' => Scenario::from((string) $scenario),
                        'start' => $start,
                        'sum' => new ChangedSum($change, $this->cells[$measure][$scenario][$start] ?? 0),
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

    /** @return list<AmountDifference> closed periods first, then what changes most; of very many the first ones */
    public function each(): array
    {
        $rows = $this->kept;
        usort(
            $rows,
            fn (AmountDifference $a, AmountDifference $b): int => [
                $this->known->isClosed($b->start), abs($b->change()), $a->start,
            ] <=> [$this->known->isClosed($a->start), abs($a->change()), $b->start],
        );

        return $rows;
    }

    /**
     * @param array<int, int> $was
     * @param array<int, int> $new
     * @param array<int, int> $gone
     */
    private function keep(Series $series, array $was, array $new, array $gone): void
    {
        $left = self::MOST_KEPT - \count($this->kept);
        foreach ($left > 0 ? \array_slice($new, 0, $left, true) : [] as $start => $amount) {
            $this->kept[] = new AmountDifference($series, $start, $was[$start] ?? null, $amount);
            --$left;
        }
        foreach ($left > 0 ? \array_slice($gone, 0, $left, true) : [] as $start => $amount) {
            $this->kept[] = new AmountDifference($series, $start, $amount, null);
        }
    }
}
