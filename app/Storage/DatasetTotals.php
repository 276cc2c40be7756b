<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use KeenMargin\Core\Figures\PackedAmounts;
use KeenMargin\Core\Figures\Reading\RefusedFigures;
use KeenMargin\Core\Figures\SeriesAdder;

/**
 * Keeps the sums that most questions are about: over all members, and by each breakdown that has far fewer members than the
 * dataset has series. Made anew from the series after every change; the dataset's coverage and count follow from them.
 */
final readonly class DatasetTotals
{
    private const ALL = -1;
    private const WORTH_IT = 3;
    private const MOST_MEMBERS = 10_000;

    public function __construct(private SeriesStore $store)
    {
    }

    public function make(DatasetRecord $record): void
    {
        $dataset = (int) $record->id;
        $this->store->connection->executeStatement('DELETE FROM series_total WHERE dataset = ?', [$dataset]);
        $writer = new SeriesWriter($this->store->connection);
        $measures = array_map(intval(...), array_values($record->measures->map(static fn (MeasureRecord $measure): int => (int) $measure->id)->toArray()));
        $all = $this->added($dataset, $measures, null);
        $this->write($writer, $dataset, self::ALL, $all);
        $coverage = [];
        foreach (($all[0] ?? new SeriesAdder())->starts() as $scenario => $starts) {
            sort($starts);
            $coverage[SeriesStore::scenario((int) $scenario)->value] = $starts;
        }
        $record->coverage = $coverage;
        $record->factCount = array_sum(array_map(static fn (SeriesAdder $adder): int => $adder->count(), $all));
        $series = $this->store->number("SELECT COUNT(*) FROM series WHERE dataset = $dataset");
        foreach ($record->breakdowns as $breakdown) {
            $members = $this->store->number('SELECT COUNT(*) FROM member WHERE breakdown_id = '.(int) $breakdown->id);
            if ($members <= self::MOST_MEMBERS && $members * self::WORTH_IT * \count($measures) <= $series) {
                $this->write($writer, $dataset, $breakdown->position, $this->added($dataset, $measures, $breakdown->position));
            }
        }
    }

    /**
     * @param list<int> $measures
     *
     * @return array<int, SeriesAdder> by member; measures and scenarios by their numbers
     */
    private function added(int $dataset, array $measures, ?int $by): array
    {
        $adders = [];
        foreach ($this->store->amounts($dataset, $measures, [], $by) as [$measure, $scenario, $member, $amounts]) {
            ($adders[$member] ??= new SeriesAdder())->add((string) $measure, (string) $scenario, $amounts);
        }

        return $adders;
    }

    /** @param array<int, SeriesAdder> $adders */
    private function write(SeriesWriter $writer, int $dataset, int $place, array $adders): void
    {
        foreach ($adders as $member => $adder) {
            foreach ($adder->each() as [$measure, $scenario, $sums, $counts]) {
                if (null === $sums) {
                    throw RefusedFigures::whole('The sum has more digits than can be kept exactly. Give the amounts in thousands.');
                }
                $writer->total($dataset, $place, $member, (int) $measure, (int) $scenario, PackedAmounts::pack($sums), PackedAmounts::pack($counts));
            }
        }
    }
}
