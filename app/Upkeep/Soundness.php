<?php

declare(strict_types=1);

namespace KeenMargin\App\Upkeep;

use KeenMargin\App\Storage\KeptFiles;
use KeenMargin\App\Storage\SeriesStore;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\PackedAmounts;
use KeenMargin\Core\Figures\SeriesAdder;

/**
 * Whether a store is sound: the database by its own checks, every amount where it belongs, what is kept along as it follows
 * from the amounts, every kept file as it came. Reads one state of the database, also while others write.
 */
final readonly class Soundness
{
    private const ALL = -1;
    private const MOST_TOLD = 5;

    public function __construct(private \PDO $database, private KeptFiles $files)
    {
    }

    /** @throws \PDOException where the file is no database */
    public static function ofFile(string $database): self
    {
        return new self(self::opened($database), KeptFiles::beside($database));
    }

    public static function opened(string $database): \PDO
    {
        $opened = new \PDO("sqlite:$database", null, null, [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $opened->exec('PRAGMA busy_timeout = 10000');

        return $opened;
    }

    /** @return list<array{what: string, troubles: list<string>}> each check with what is wrong; nothing where it holds */
    public function check(): array
    {
        $this->database->beginTransaction();
        try {
            $done = [['what' => 'the database itself', 'troubles' => $this->integrity()]];
            if ([] !== $done[0]['troubles']) {
                return $done;
            }
            $done[] = ['what' => 'references between its tables', 'troubles' => $this->references()];
            $datasets = $this->texts('SELECT id, name FROM dataset ORDER BY id');
            $series = $totals = [];
            foreach ($datasets as [$id, $name]) {
                $told = static fn (string $says): string => "dataset $id, \"$name\": $says";
                [$ofSeries, $ofTotals] = $this->figures((int) $id);
                array_push($series, ...array_map($told, $ofSeries));
                array_push($totals, ...array_map($told, $ofTotals));
            }
            $count = Wording::count($this->number('SELECT COALESCE(SUM(LENGTH(amounts)), 0) / '.PackedAmounts::BYTES.' FROM packed'), 'amount', 'amounts');
            $done[] = ['what' => "$count in ".Wording::count(\count($datasets), 'dataset', 'datasets'), 'troubles' => self::some($series)];
            $done[] = ['what' => 'totals, coverage and counts kept along', 'troubles' => self::some($totals)];
            $done[] = $this->keptFiles();

            return $done;
        } finally {
            $this->database->rollBack();
        }
    }

    /** @return list<string> */
    private function integrity(): array
    {
        try {
            $says = array_column($this->texts('PRAGMA integrity_check(20)'), 0);
        } catch (\PDOException $e) {
            return [$e->getMessage()];
        }

        return ['ok'] === $says ? [] : self::some($says);
    }

    /** @return list<string> */
    private function references(): array
    {
        $broken = array_map(static fn (array $row): string => "$row[0]: row $row[1] refers to a $row[2] that is not there", $this->texts('PRAGMA foreign_key_check'));
        $places = range(0, SeriesStore::PLACES - 1);
        // A series without amounts may be of a step that was undone, with the member that it brought along.
        $holds = '(EXISTS (SELECT 1 FROM packed p WHERE p.series = s.id) OR EXISTS (SELECT 1 FROM touched t WHERE t.series = s.id AND LENGTH(t.amounts) > 0))';
        foreach ($places as $place) {
            $lost = $this->number("SELECT COUNT(*) FROM series s WHERE s.m$place <> 0 AND $holds AND NOT EXISTS (SELECT 1 FROM member m JOIN breakdown b ON b.id = m.breakdown_id WHERE m.id = s.m$place AND b.dataset_id = s.dataset AND b.position = $place)");
            $lost > 0 && $broken[] = "$lost series refer to members that are not in breakdown ".(1 + $place).' of their dataset';
        }
        $lost = $this->number("SELECT COUNT(*) FROM series s WHERE $holds AND NOT EXISTS (SELECT 1 FROM measure m WHERE m.id = s.measure AND m.dataset_id = s.dataset)");
        $lost > 0 && $broken[] = "$lost series refer to measures that are not in their dataset";

        return self::some($broken);
    }

    /** @return array{list<string>, list<string>} what is wrong with the series of a dataset, and with what is kept along */
    private function figures(int $dataset): array
    {
        $counted = $this->counted($dataset);
        $imports = array_fill_keys(array_map(intval(...), array_column($this->texts("SELECT id FROM import WHERE dataset_id = $dataset"), 0)), true);
        $places = array_map(intval(...), array_column($this->texts("SELECT DISTINCT place FROM series_total WHERE dataset = $dataset"), 0));
        $adders = array_fill_keys([self::ALL, ...$places], []);
        $wrong = [];
        $facts = 0;
        $members = implode(', ', array_map(static fn (int $place): string => "s.m$place", range(0, SeriesStore::PLACES - 1)));
        foreach ($this->rows("SELECT s.id, s.measure, s.scenario, p.amounts, p.imports, $members FROM series s JOIN packed p ON p.series = s.id WHERE s.dataset = $dataset") as $row) {
            [$id, $measure, $scenario, $amounts, $by] = array_map(strval(...), $row);
            $says = self::wrongRun($amounts, $by, $imports);
            if (null !== $says) {
                $wrong[] = "series $id $says";
                continue;
            }
            $facts += PackedAmounts::count($amounts);
            foreach (array_keys($adders) as $place) {
                $member = self::ALL === $place ? SeriesStore::NO_MEMBER : (int) $row[5 + $place];
                ($adders[$place][$member] ??= new SeriesAdder())->add($measure, $scenario, $amounts, $counted[$measure] ?? false ? '' : false);
            }
        }
        foreach ($this->rows("SELECT t.series, t.import, t.amounts, t.imports FROM series s JOIN touched t ON t.series = s.id WHERE s.dataset = $dataset") as $row) {
            $says = self::wrongRun((string) $row[2], (string) $row[3], $imports, true);
            null === $says || $wrong[] = "what import $row[1] found in series $row[0] $says";
        }

        return [$wrong, [] === $wrong ? [...$this->wrongTotals($dataset, $adders, $counted), ...$this->wrongCoverage($dataset, $adders[self::ALL][SeriesStore::NO_MEMBER] ?? new SeriesAdder(), $facts)] : []];
    }

    /** @return array<string, bool> whether totals of a measure hold how many amounts are in each, by its id */
    private function counted(int $dataset): array
    {
        $counted = [];
        foreach ($this->texts("SELECT id, name, grouping, over_members FROM measure WHERE dataset_id = $dataset") as [$id, $name, $grouping, $overMembers]) {
            $counted[$id] = (new Measure($name, grouping: Grouping::from($grouping), overMembers: OverMembers::from($overMembers)))->isCounted();
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
        if (8 !== \strlen($by) && array_keys(PackedAmounts::unpack(0 === \strlen($by) % PackedAmounts::BYTES ? $by : '')) !== $starts) {
            return 'has amounts of which it is not known where they came from';
        }
        $ids = '' === $by ? [] : (8 === \strlen($by) ? [PackedAmounts::first($by)] : PackedAmounts::unpack($by));
        $unknown = array_filter($ids, static fn (int $id): bool => !isset($imports[$id]));

        return [] === $unknown ? null : 'has amounts of an import that is not there';
    }

    /**
     * @param array<int, array<int, SeriesAdder>> $adders  by place and member
     * @param array<string, bool>                 $counted
     *
     * @return list<string>
     */
    private function wrongTotals(int $dataset, array $adders, array $counted): array
    {
        $kept = $wrong = [];
        foreach ($this->rows("SELECT place, member, measure, scenario, amounts, counts FROM series_total WHERE dataset = $dataset") as $row) {
            [$place, $member, $measure, $scenario, $amounts, $counts] = array_map(strval(...), $row);
            if ('' !== $amounts) {
                $kept["$place,$member,$measure,$scenario"] = [PackedAmounts::unpack($amounts), $counted[$measure] ?? false ? PackedAmounts::unpack($counts) : []];
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
                        $wrong[] = "the total of measure $measure in scenario $scenario".(self::ALL === $place ? '' : ", member $member").' is not the sum of its amounts';
                    }
                    unset($kept[$key]);
                }
            }
        }

        return [...$wrong, ...array_map(static fn (string $key): string => "a total ($key) of amounts that are not there", array_keys($kept))];
    }

    /** @return list<string> */
    private function wrongCoverage(int $dataset, SeriesAdder $all, int $facts): array
    {
        $wrong = [];
        [[$kept, $count]] = $this->texts("SELECT coverage, fact_count FROM dataset WHERE id = $dataset");
        $coverage = [];
        foreach ($all->starts() as $scenario => $starts) {
            sort($starts);
            $coverage[SeriesStore::scenario((int) $scenario)->value] = $starts;
        }
        $known = json_decode($kept, true);
        ksort($coverage);
        \is_array($known) && ksort($known);
        $known === $coverage || $wrong[] = 'the periods that it says it covers are not those of its amounts';
        (int) $count === $facts || $wrong[] = "it says that it has $count amounts, and has $facts";

        return $wrong;
    }

    /** @return array{what: string, troubles: list<string>} */
    private function keptFiles(): array
    {
        $wrong = [];
        $names = array_column($this->texts('SELECT DISTINCT kept_file FROM import WHERE kept_file IS NOT NULL'), 0);
        foreach ($names as $name) {
            if (null === $this->files->maybePath($name)) {
                $wrong[] = "$name is not there";
            } elseif (!$this->files->isUnchanged($name)) {
                $wrong[] = "$name does not hold what it held when it came";
            }
        }

        return ['what' => Wording::count(\count($names), 'kept file', 'kept files'), 'troubles' => self::some($wrong)];
    }

    /** @return list<list<string>> */
    private function texts(string $sql): array
    {
        return array_map(static fn (array $row): array => array_map(static fn (mixed $cell): string => \is_scalar($cell) ? (string) $cell : '', $row), iterator_to_array($this->rows($sql), false));
    }

    /** @return \Generator<int, list<int|string|null>> */
    private function rows(string $sql): \Generator
    {
        $rows = $this->database->query($sql, \PDO::FETCH_NUM);
        if (false === $rows) {
            throw new \LogicException('PDO is told to throw.');
        }
        /** @var list<int|string|null> $row */
        foreach ($rows as $row) {
            yield $row;
        }
    }

    private function number(string $sql): int
    {
        return (int) ($this->texts($sql)[0][0] ?? 0);
    }

    /**
     * @param list<string> $says
     *
     * @return list<string>
     */
    private static function some(array $says): array
    {
        $more = \count($says) - self::MOST_TOLD;

        return $more > 0 ? [...\array_slice($says, 0, self::MOST_TOLD), "and $more more"] : $says;
    }
}
