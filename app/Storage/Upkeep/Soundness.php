<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Series\PackedAmounts;

/**
 * Whether a store is sound: the database by its own checks, every amount where it belongs, what is kept along as it
 * follows from the amounts, every kept file as it came. Reads one state of the database, also while others write.
 */
final readonly class Soundness
{
    private const MOST_TOLD = 5;

    private StoreRows $rows;

    public function __construct(private \PDO $database, private KeptFiles $files)
    {
        $this->rows = new StoreRows($database);
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

    /**
     * @return list<array{what: string, troubles: list<string>}> each check with what is wrong; nothing where it holds
     */
    public function check(): array
    {
        $this->database->beginTransaction();
        try {
            $done = [['what' => 'the database itself', 'troubles' => $this->integrity()]];
            if ([] === $done[0]['troubles'] && [] !== LaterSchema::unknown($this->database)) {
                $done[0]['troubles'] = [LaterSchema::says()];
            }
            if ([] !== $done[0]['troubles']) {
                return $done;
            }
            $done[] = ['what' => 'references between its tables', 'troubles' => $this->references()];
            $datasets = $this->rows->texts('SELECT id, name FROM dataset ORDER BY id');
            $figures = new FiguresSoundness($this->rows);
            $series = $totals = [];
            foreach ($datasets as [$id, $name]) {
                $told = static fn (string $says): string => "dataset $id, \"$name\": $says";
                [$ofSeries, $ofTotals] = $figures->of((int) $id);
                array_push($series, ...array_map($told, $ofSeries));
                array_push($totals, ...array_map($told, $ofTotals));
            }
            $count = Wording::count(
                $this->rows->number('SELECT COALESCE(SUM(LENGTH(amounts)), 0) / '.PackedAmounts::BYTES.' FROM packed'),
                'amount',
                'amounts',
            );
            $done[] = [
                'what' => "$count in ".Wording::count(\count($datasets), 'dataset', 'datasets'),
                'troubles' => self::some($series),
            ];
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
            $says = array_column($this->rows->texts('PRAGMA integrity_check(20)'), 0);
        } catch (\PDOException $e) {
            return [$e->getMessage()];
        }

        return ['ok'] === $says ? [] : self::some($says);
    }

    /** @return list<string> */
    private function references(): array
    {
        $broken = array_map(
            static fn (array $row): string => "$row[0]: row $row[1] refers to a $row[2] that is not there",
            $this->rows->texts('PRAGMA foreign_key_check'),
        );
        $places = range(0, SeriesStore::PLACES - 1);
        // A series without amounts may be of a step that was undone, with the member that it brought along.
        $holds =
            '(EXISTS (SELECT 1 FROM packed p WHERE p.series = s.id) OR EXISTS (SELECT 1 FROM touched t WHERE '.
            't.series = s.id AND LENGTH(t.amounts) > 0))';
        foreach ($places as $place) {
            $lost = $this->rows->number(
                'SELECT COUNT(*) FROM series s WHERE '.
                    "s.m$place <> 0 AND $holds AND NOT EXISTS (SELECT 1 FROM member m JOIN breakdown b ON b.id = ".
                    "m.breakdown_id WHERE m.id = s.m$place AND b.dataset_id = s.dataset AND b.position = $place)",
            );
            $lost > 0
                && ($broken[] =
                    "$lost series refer to members that are not in breakdown ".(1 + $place).' of their dataset');
        }
        $lost = $this->rows->number(
            'SELECT COUNT(*) FROM series s '.
                "WHERE $holds AND NOT EXISTS (SELECT 1 FROM measure m WHERE m.id = s.measure AND m.dataset_id = ".
                's.dataset)',
        );
        $lost > 0 && ($broken[] = "$lost series refer to measures that are not in their dataset");

        return self::some($broken);
    }

    /** @return array{what: string, troubles: list<string>} */
    private function keptFiles(): array
    {
        $wrong = [];
        $names = array_column($this->rows->texts(KeptFiles::REFERRED), 0);
        foreach ($names as $name) {
            if (null === $this->files->maybePath($name)) {
                $wrong[] = "$name is not there";
            } elseif (!$this->files->isUnchanged($name)) {
                $wrong[] = "$name does not hold what it held when it came";
            }
        }

        return ['what' => Wording::count(\count($names), 'kept file', 'kept files'), 'troubles' => self::some($wrong)];
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
