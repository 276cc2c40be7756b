<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\SeriesAdder;

/**
 * Keeps the sums that most questions are about: over all members, and by each breakdown that has far fewer members than
 * the dataset has series. Made anew from the series after every change; the dataset's coverage and count follow from
 * them.
 */
final readonly class DatasetTotals
{
    private const ALL = -1;
    private const WORTH_IT = 8;
    private const MOST_MEMBERS = 10_000;

    public function __construct(private SeriesStore $store) {}

    public function make(DatasetRecord $record): void
    {
        $dataset = (int) $record->id;
        $this->store->connection->executeStatement('DELETE FROM series_total WHERE dataset = ?', [$dataset]);
        $counted = [];
        foreach ($record->measures as $measure) {
            $counted[(int) $measure->id] = $measure->measure()->isCounted();
        }
        $places = $this->places($record, \count($counted));
        $all = new SeriesAdder();
        $byPlace = array_fill_keys($places, []);
        $facts = 0;
        foreach ($this->store->wholeSeries($dataset) as [$measure, $scenario, $members, $amounts]) {
            $facts += PackedAmounts::count($amounts);
            $counts = $counted[$measure] ?? false ? '' : false;
            $flat = PackedAmounts::flat($amounts);
            if ([] === $places) {
                $all->addFlat((string) $measure, (string) $scenario, $flat, $counts);
            }
            foreach ($places as $place) {
                $adder = $byPlace[$place][$members[$place]] ??= new SeriesAdder();
                $adder->addFlat((string) $measure, (string) $scenario, $flat, $counts);
            }
        }
        // The members of one breakdown together are all.
        foreach ($byPlace[$places[0] ?? -1] ?? [] as $member) {
            foreach ($member->each() as [$measure, $scenario, $sums, $counts]) {
                $all->add(
                    $measure,
                    $scenario,
                    PackedAmounts::pack(self::exact($sums)),
                    $counted[(int) $measure] ?? false ? PackedAmounts::pack($counts) : false,
                );
            }
        }
        $writer = new SeriesWriter($this->store->connection);
        $this->write($writer, $dataset, self::ALL, [SeriesStore::NO_MEMBER => $all]);
        foreach ($byPlace as $place => $adders) {
            $this->write($writer, $dataset, $place, $adders);
        }
        $writer->flush();
        $coverage = [];
        foreach ($all->starts() as $scenario => $starts) {
            sort($starts);
            $coverage[SeriesStore::scenario((int) $scenario)->value] = $starts;
        }
        $record->coverage = $coverage;
        $record->factCount = $facts;
    }

    /** @return list<int> places of the breakdowns whose totals are kept */
    private function places(DatasetRecord $record, int $measures): array
    {
        $series = $this->store->number('SELECT COUNT(*) FROM series WHERE dataset = '.(int) $record->id);
        $places = [];
        foreach ($record->breakdowns as $breakdown) {
            $members = $this->store->number('SELECT COUNT(*) FROM member WHERE breakdown_id = '.(int) $breakdown->id);
            if ($members <= self::MOST_MEMBERS && $members * self::WORTH_IT * $measures <= $series) {
                $places[] = $breakdown->position;
            }
        }

        return $places;
    }

    /** @param array<int, SeriesAdder> $adders */
    private function write(SeriesWriter $writer, int $dataset, int $place, array $adders): void
    {
        foreach ($adders as $member => $adder) {
            foreach ($adder->each() as [$measure, $scenario, $sums, $counts]) {
                $writer->total(
                    dataset: $dataset,
                    place: $place,
                    member: $member,
                    measure: (int) $measure,
                    scenario: (int) $scenario,
                    amounts: PackedAmounts::pack(self::exact($sums)),
                    counts: PackedAmounts::pack($counts),
                );
            }
        }
    }

    /**
     * @param array<int, int>|null $sums
     *
     * @return array<int, int>
     */
    private static function exact(?array $sums): array
    {
        return $sums ??
            throw RefusedFigures::whole(
                'The sum has more digits than can be kept exactly. Give the amounts in thousands.',
            );
    }
}
