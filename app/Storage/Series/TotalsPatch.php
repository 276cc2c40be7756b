<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\MeasureRecord;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\PackedAmounts;

/**
 * Brings a dataset's kept totals, coverage and count up to date after a few amounts have changed, without adding up the
 * rest.
 */
final class TotalsPatch
{
    private const ALL = -1;

    /** @var array<string, array{array<int, int>, array<int, int>}> sums and counts by row of the totals */
    private array $rows = [];
    /** @var list<int> */
    private readonly array $places;

    public function __construct(private readonly DatasetRecord $record, private readonly SeriesStore $store)
    {
        $places = [self::ALL];
        foreach ($record->breakdowns as $breakdown) {
            if ($store->keepsTotalsOf((int) $record->id, $breakdown->position)) {
                $places[] = $breakdown->position;
            }
        }
        $this->places = $places;
    }

    /**
     * To be called after the series themselves are written.
     *
     * @param list<array{int, int, list<int>, int, ?int, ?int}> $changes measure, scenario, members, period start,
     *                                                                   amount before and after
     */
    public function apply(array $changes): void
    {
        $facts = 0;
        $touched = [];
        foreach ($changes as [$measure, $scenario, $members, $start, $before, $after]) {
            $facts += (null === $after ? 0 : 1) - (null === $before ? 0 : 1);
            foreach ($this->places as $place) {
                $member = $place < 0 ? SeriesStore::NO_MEMBER : $members[$place];
                $this->change("$place,$member,$measure,$scenario", $start, $before, $after);
            }
            $touched[$scenario][$start] = true;
        }
        $this->write();
        $this->cover($touched, $facts);
    }

    private function change(string $row, int $start, ?int $before, ?int $after): void
    {
        [$place, $member, $measure, $scenario] = array_map(intval(...), explode(',', $row));
        $this->rows[$row] ??= $this->read($place, $member, $measure, $scenario);
        [$sums, $counts] = $this->rows[$row];
        $sum = ($sums[$start] ?? 0) - ($before ?? 0) + ($after ?? 0);
        $sums[$start] = self::whole($sum);
        if ([] !== $counts || $this->isCounted($measure)) {
            $counts[$start] = ($counts[$start] ?? 0) + (null === $after ? 0 : 1) - (null === $before ? 0 : 1);
        }
        if (
            null === $after
            && !$this->store->hasAny(
                (int) $this->record->id,
                $measure,
                $scenario,
                self::ALL === $place ? null : [$place, $member],
                $start,
            )
        ) {
            unset($sums[$start], $counts[$start]);
        }
        $this->rows[$row] = [$sums, $counts];
    }

    private static function whole(mixed $sum): int
    {
        return \is_int($sum)
            ? $sum
            : throw RefusedFigures::whole(
                'The sum has more digits than can be kept exactly. Give the amounts in thousands.',
            );
    }

    private function isCounted(int $measure): bool
    {
        foreach ($this->record->measures as $one) {
            if ($one->id === $measure) {
                return $one->measure()->isCounted();
            }
        }

        return false;
    }

    /** @return array{array<int, int>, array<int, int>} */
    private function read(int $place, int $member, int $measure, int $scenario): array
    {
        $totals = $this->store->totals((int) $this->record->id, $place, [$measure], [$scenario], [$member]);
        foreach ($totals as [, , , $amounts, $counts]) {
            return [PackedAmounts::unpack($amounts), PackedAmounts::unpack($counts)];
        }

        return [[], []];
    }

    private function write(): void
    {
        $writer = new SeriesWriter($this->store->connection);
        foreach ($this->rows as $row => [$sums, $counts]) {
            [$place, $member, $measure, $scenario] = array_map(intval(...), explode(',', $row));
            $writer->total(
                dataset: (int) $this->record->id,
                place: $place,
                member: $member,
                measure: $measure,
                scenario: $scenario,
                amounts: PackedAmounts::pack($sums),
                counts: PackedAmounts::pack($counts),
            );
        }
        $writer->flush();
    }

    /** @param array<int, array<int, true>> $touched starts by scenario */
    private function cover(array $touched, int $facts): void
    {
        $coverage = $this->record->coverage;
        $measures = array_map(
            static fn (MeasureRecord $measure): int => (int) $measure->id,
            array_values($this->record->measures->toArray()),
        );
        foreach ($touched as $scenario => $starts) {
            $code = SeriesStore::scenario($scenario)->value;
            $known = array_fill_keys($coverage[$code] ?? [], true);
            $there = [];
            foreach (
                $this->store->totals((int) $this->record->id, self::ALL, $measures, [$scenario]) as [, , , $amounts]
            ) {
                $there += PackedAmounts::unpack($amounts);
            }
            $known = array_diff_key($known, array_diff_key($starts, $there)) + array_intersect_key($starts, $there);
            ksort($known);
            $coverage[$code] = array_keys($known);
        }
        $this->record->coverage = array_filter($coverage);
        $this->record->factCount += $facts;
    }
}
