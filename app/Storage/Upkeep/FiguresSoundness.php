<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\SeriesAdder;

/** Whether the series of a dataset are whole, and what is kept along follows from them. */
final readonly class FiguresSoundness
{
    private const ALL = -1;

    public function __construct(private StoreRows $rows) {}

    /**
     * @return array{list<string>, list<string>} what is wrong with the series of a dataset, and with what is kept along
     */
    public function of(int $dataset): array
    {
        $counted = $this->counted($dataset);
        $imports = array_fill_keys(
            array_map(
                intval(...), array_column($this->rows->texts("SELECT id FROM import WHERE dataset_id = $dataset"), 0),
            ),
            true,
        );
        $places = array_map(
            intval(...),
            array_column($this->rows->texts("SELECT DISTINCT place FROM series_total WHERE dataset = $dataset"), 0),
        );
        $adders = array_fill_keys([self::ALL, ...$places], []);
        $wrong = [];
        $facts = 0;
        $members = implode(
            ', ',
            array_map(static fn (int $place): string => "s.m$place", range(0, SeriesStore::PLACES - 1)),
        );
        foreach (
            $this->rows->each(
                'SELECT s.id, s.measure, s.scenario, p.amounts, '.
                    "p.imports, $members FROM series s JOIN packed p ON p.series = s.id WHERE s.dataset = $dataset",
            ) as $row
        ) {
            [$id, $measure, $scenario, $amounts, $by] = array_map(strval(...), $row);
            $says = self::wrongRun($amounts, $by, $imports);
            if (null !== $says) {
                $wrong[] = "series $id $says";
                continue;
            }
            $facts += PackedAmounts::count($amounts);
            foreach (array_keys($adders) as $place) {
                $member = self::ALL === $place ? SeriesStore::NO_MEMBER : (int) $row[5 + $place];
                ($adders[$place][$member] ??= new SeriesAdder())->add(
                    $measure,
                    $scenario,
                    $amounts,
                    $counted[$measure] ?? false ? '' : false,
                );
            }
        }
        foreach (
            $this->rows->each(
                'SELECT t.series, t.import, t.amounts, t.imports FROM series s JOIN touched t ON t.series = s.id '.
                    "WHERE s.dataset = $dataset",
            ) as $row
        ) {
            $says = self::wrongRun((string) $row[2], (string) $row[3], $imports, true);
            null === $says || ($wrong[] = "what import $row[1] found in series $row[0] $says");
        }

        return [
            $wrong,
            [] === $wrong
                ? [
                    ...$this->wrongTotals($dataset, $adders, $counted),
                    ...$this->wrongCoverage(
                        $dataset,
                        $adders[self::ALL][SeriesStore::NO_MEMBER] ?? new SeriesAdder(),
                        $facts,
                    ),
                ]
                : [],
        ];
    }

    /** @return array<string, bool> whether totals of a measure hold how many amounts are in each, by its id */
    private function counted(int $dataset): array
    {
        $counted = [];
        foreach (
            $this->rows->texts(
                'SELECT id, name, grouping, over_members FROM measure WHERE dataset_id '."= $dataset",
            ) as [$id, $name, $grouping, $overMembers]
        ) {
            $counted[$id] = (new Measure(
                $name, grouping: Grouping::from($grouping), overMembers: OverMembers::from($overMembers),
            ))->isCounted();
        }

        return $counted;
    }

    /** @param array<int, true> $imports ids of the dataset's */
    private static function wrongRun(string $amounts, string $by, array $imports, bool $mayBeEmpty = false): ?string
    {
        if (0 !== \strlen($amounts) % PackedAmounts::BYTES || ('' === $amounts && !$mayBeEmpty)) {
            return 'has bytes that are no amounts';
        }
        $starts = array_keys(PackedAmounts::unpack($amounts));
        $sorted = $starts;
        sort($sorted);
        if (\count($starts) !== PackedAmounts::count($amounts) || $sorted !== $starts) {
            return 'has periods that are there twice or out of order';
        }
        if (
            8 !== \strlen($by)
            && array_keys(PackedAmounts::unpack(0 === \strlen($by) % PackedAmounts::BYTES ? $by : '')) !== $starts
        ) {
            return 'has amounts of which it is not known where they came from';
        }
        $ids = '' === $by ? [] : (8 === \strlen($by) ? [PackedAmounts::first($by)] : PackedAmounts::unpack($by));
        $unknown = array_filter($ids, static fn (int $id): bool => !isset($imports[$id]));

        return [] === $unknown ? null : 'has amounts of an import that is not there';
    }

    /**
     * @param array<int, array<int, SeriesAdder>> $adders by place and member
     * @param array<string, bool> $counted
     *
     * @return list<string>
     */
    private function wrongTotals(int $dataset, array $adders, array $counted): array
    {
        $kept = $wrong = [];
        foreach (
            $this->rows->each(
                "SELECT place, member, measure, scenario, amounts, counts FROM series_total WHERE dataset = $dataset",
            ) as $row
        ) {
            [$place, $member, $measure, $scenario, $amounts, $counts] = array_map(strval(...), $row);
            if ('' !== $amounts) {
                $kept["$place,$member,$measure,$scenario"] = [
                    PackedAmounts::unpack($amounts),
                    $counted[$measure] ?? false ? PackedAmounts::unpack($counts) : [],
                ];
            }
        }
        foreach ($adders as $place => $byMember) {
            foreach ($byMember as $member => $adder) {
                foreach ($adder->each() as [$measure, $scenario, $sums, $counts]) {
                    $key = "$place,$member,$measure,$scenario";
                    $counts = $counted[$measure] ?? false ? $counts : [];
                    ksort($counts);
                    null !== $sums && ksort($sums);
                    if (($kept[$key] ?? null) !== [$sums, $counts]) {
                        $wrong[] =
                            "the total of measure $measure in scenario $scenario".
                            (self::ALL === $place ? '' : ", member $member").
                            ' is not the sum of its amounts';
                    }
                    unset($kept[$key]);
                }
            }
        }

        return [
            ...$wrong,
            ...array_map(
                static fn (string $key): string => "a total ($key) of amounts that are not there",
                array_keys($kept),
            ),
        ];
    }

    /** @return list<string> */
    private function wrongCoverage(int $dataset, SeriesAdder $all, int $facts): array
    {
        $wrong = [];
        [[$kept, $count]] = $this->rows->texts("SELECT coverage, fact_count FROM dataset WHERE id = $dataset");
        $coverage = [];
        foreach ($all->starts() as $scenario => $starts) {
            sort($starts);
            $coverage[SeriesStore::scenario((int) $scenario)->value] = $starts;
        }
        $known = json_decode($kept, true);
        ksort($coverage);
        \is_array($known) && ksort($known);
        $known === $coverage || ($wrong[] = 'the periods that it says it covers are not those of its amounts');
        (int) $count === $facts || ($wrong[] = "it says that it has $count amounts, and has $facts");

        return $wrong;
    }
}
