<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Figures\Scenario;

/**
 * Figures in bulk, past the object mapper: a row for each series, its amounts packed as whole numbers scaled by the
 * measure's decimals. All SQL about figures stands here.
 */
final readonly class SeriesStore
{
    public const PLACES = 8;
    public const NO_MEMBER = 0;
    private const MEMBERS = 'm0, m1, m2, m3, m4, m5, m6, m7';

    public function __construct(public Connection $connection)
    {
    }

    public static function scenarioNumber(Scenario $scenario): int
    {
        return 1 + (int) array_search($scenario, Scenario::cases(), true);
    }

    public static function scenario(int $number): Scenario
    {
        return Scenario::cases()[$number - 1];
    }

    /**
     * Packed amounts of the series that the conditions let through.
     *
     * @param list<int>                         $measures  ids
     * @param list<int>                         $scenarios numbers
     * @param list<array{int, list<int>, bool}> $where     place of the breakdown, member ids, whether they are kept or left out
     * @param ?int                              $by        place of the breakdown whose members the answer names
     *
     * @return iterable<array{int, int, int, string}> measure, scenario, member (or 0), amounts
     */
    public function amounts(int $dataset, array $measures, array $scenarios, array $where, ?int $by = null): iterable
    {
        $member = null === $by ? '0' : "s.m$by";
        $sql = "SELECT s.measure, s.scenario, $member, p.amounts FROM series s CROSS JOIN packed p ON p.series = s.id WHERE s.dataset = $dataset AND s.measure IN (".self::list($measures).') AND s.scenario IN ('.self::list($scenarios).')';

        /** @var iterable<array{int, int, int, string}> */
        return $this->rows($sql.self::conditions($where));
    }

    /**
     * All series of a dataset in the order of their members, for an export.
     *
     * @return \Generator<int, array{int, int, list<int>, string}> measure, scenario, members, amounts
     */
    public function ordered(int $dataset): \Generator
    {
        $position = static fn (int $place): string => "(SELECT position FROM member WHERE id = s.m$place)";
        $rows = $this->connection->executeQuery('SELECT s.measure, s.scenario, p.amounts, '.self::MEMBERS." FROM series s CROSS JOIN packed p ON p.series = s.id WHERE s.dataset = $dataset ORDER BY s.measure, ".implode(', ', array_map($position, range(0, self::PLACES - 1))).', s.scenario')->iterateNumeric();
        /** @var array{0: int, 1: int, 2: string, 3: int} $row */
        foreach ($rows as $row) {
            /** @var list<int> $members */
            $members = \array_slice($row, 3);
            yield [$row[0], $row[1], $members, $row[2]];
        }
    }

    /**
     * Sums over all members (place −1), or by the members of a breakdown where those are kept.
     *
     * @param list<int>  $measures  ids
     * @param list<int>  $scenarios numbers
     * @param ?list<int> $members   ids; none: all of them
     *
     * @return iterable<array{int, int, int, string, string}> measure, scenario, member, amounts, how many amounts are in each
     */
    public function totals(int $dataset, int $place, array $measures, array $scenarios, ?array $members = null): iterable
    {
        $of = ' AND scenario IN ('.self::list($scenarios).')'.(null === $members ? '' : ' AND member IN ('.self::list($members).')');

        /** @var iterable<array{int, int, int, string, string}> */
        return $this->rows("SELECT measure, scenario, member, amounts, counts FROM series_total WHERE dataset = $dataset AND place = $place AND measure IN (".self::list($measures).")$of");
    }

    public function keepsTotalsOf(int $dataset, int $place): bool
    {
        return false !== $this->connection->fetchOne('SELECT 1 FROM series_total WHERE dataset = ? AND place = ? LIMIT 1', [$dataset, $place]);
    }

    /**
     * Names of a breakdown's members by their ids, in their order; past the object mapper, as there may be many.
     *
     * @return array<int, string>
     */
    public function members(int $breakdown): array
    {
        /** @var array<int, string> */
        return $this->connection->fetchAllKeyValue('SELECT id, name FROM member WHERE breakdown_id = ? ORDER BY position', [$breakdown]);
    }

    /**
     * @param list<string> $names of members that the breakdown does not have yet
     *
     * @return array<int, string> by id
     */
    public function addMembers(int $breakdown, array $names): array
    {
        $id = $this->number('SELECT COALESCE(MAX(id), 0) FROM member');
        $position = $this->number("SELECT COALESCE(MAX(position), -1) FROM member WHERE breakdown_id = $breakdown");
        $insert = $this->connection->prepare('INSERT INTO member (id, position, name, breakdown_id) VALUES (?, ?, ?, ?)');
        $added = [];
        foreach ($names as $name) {
            $insert->bindValue(1, ++$id, ParameterType::INTEGER);
            $insert->bindValue(2, ++$position, ParameterType::INTEGER);
            $insert->bindValue(3, $name);
            $insert->bindValue(4, $breakdown, ParameterType::INTEGER);
            $insert->executeStatement();
            $added[$id] = $name;
        }

        return $added;
    }

    /** @return array<string, int> ids of a dataset's series by measure, scenario and members, as seriesKey() writes them */
    public function seriesIds(int $dataset): array
    {
        $ids = [];
        /** @var array{0: int, 1: int} $row */
        foreach ($this->connection->executeQuery('SELECT id, measure, scenario, '.self::MEMBERS." FROM series WHERE dataset = $dataset")->iterateNumeric() as $row) {
            $ids[implode(',', \array_slice($row, 1))] = $row[0];
        }

        return $ids;
    }

    /** @param list<int> $members one for each breakdown */
    public static function seriesKey(int $measure, int $scenario, array $members): string
    {
        return implode(',', [$measure, $scenario, ...array_pad($members, self::PLACES, self::NO_MEMBER)]);
    }

    public function nextSeries(): int
    {
        return 1 + $this->number('SELECT COALESCE(MAX(id), 0) FROM series');
    }

    /** @return \Generator<int, array{int, int, list<int>, string}> of a dataset: measure, scenario, members, amounts */
    public function wholeSeries(int $dataset): \Generator
    {
        /** @var array{0: int, 1: int, 2: string, 3: int} $row */
        foreach ($this->rows('SELECT s.measure, s.scenario, p.amounts, '.self::MEMBERS." FROM series s CROSS JOIN packed p ON p.series = s.id WHERE s.dataset = $dataset") as $row) {
            /** @var list<int> $members */
            $members = \array_slice($row, 3);
            yield [$row[0], $row[1], $members, $row[2]];
        }
    }

    /** @return iterable<array<int, mixed>> many rows, past the database layer's own loop */
    private function rows(string $sql): iterable
    {
        $native = $this->connection->getNativeConnection();
        $rows = $native instanceof \PDO ? $native->query($sql, \PDO::FETCH_NUM) : false;

        return false === $rows ? throw new \LogicException('The database is not reached through PDO.') : $rows;
    }

    /** @return array{string, Scenario, list<string>} measure, scenario and members of a series by name */
    public function named(int $series): array
    {
        $members = implode(', ', array_map(static fn (int $place): string => "(SELECT name FROM member WHERE id = s.m$place)", range(0, self::PLACES - 1)));
        $row = $this->connection->fetchNumeric("SELECT (SELECT name FROM measure WHERE id = s.measure), s.scenario, $members FROM series s WHERE s.id = ?", [$series]);
        $texts = array_map(static fn (mixed $cell): string => \is_scalar($cell) ? (string) $cell : '', false === $row ? ['', 1] : $row);

        return [$texts[0], self::scenario((int) $texts[1]), array_values(array_filter(\array_slice($texts, 2), static fn (string $name): bool => '' !== $name))];
    }

    public function run(int $series): Run
    {
        $row = $this->connection->fetchNumeric('SELECT amounts, imports FROM packed WHERE series = ?', [$series]);

        return self::asRun($row);
    }

    /**
     * @param list<int>                         $measures ids
     * @param list<array{int, list<int>, bool}> $where    as for amounts()
     *
     * @return iterable<int, Run> by series
     */
    public function runsOf(int $dataset, array $measures, int $scenario, array $where): iterable
    {
        /** @var array{int, string, string} $row */
        foreach ($this->connection->executeQuery("SELECT p.series, p.amounts, p.imports FROM series s CROSS JOIN packed p ON p.series = s.id WHERE s.dataset = $dataset AND s.measure IN (".self::list($measures).") AND s.scenario = $scenario".self::conditions($where))->iterateNumeric() as $row) {
            yield $row[0] => Run::unpack($row[1], $row[2]);
        }
    }

    /** @return array<int, Run> what each import that touched the series found before, by import, rising */
    public function logs(int $series): array
    {
        $logs = [];
        /** @var array{int, string, string} $row */
        foreach ($this->connection->executeQuery('SELECT import, amounts, imports FROM touched WHERE series = ? ORDER BY import', [$series])->iterateNumeric() as $row) {
            $logs[$row[0]] = Run::unpack($row[1], $row[2]);
        }

        return $logs;
    }

    /**
     * Series that an import may have had a hand in: it found something in them, or amounts of it stand there, or a later import found them.
     *
     * @return list<int>
     */
    public function seriesTouchedBy(int $dataset, int $import): array
    {
        $marked = bin2hex(pack('q', $import));

        /** @var list<int> */
        return $this->connection->fetchFirstColumn("SELECT series FROM touched WHERE import = $import UNION SELECT t.series FROM series s CROSS JOIN touched t ON t.series = s.id WHERE s.dataset = $dataset AND instr(t.imports, x'$marked') > 0 UNION SELECT p.series FROM series s CROSS JOIN packed p ON p.series = s.id WHERE s.dataset = $dataset AND instr(p.imports, x'$marked') > 0");
    }

    public function number(string $sql): int
    {
        $value = $this->connection->fetchOne($sql);

        return \is_int($value) ? $value : 0;
    }

    private static function asRun(mixed $row): Run
    {
        return \is_array($row) && \is_string($row[0] ?? null) && \is_string($row[1] ?? null) ? Run::unpack($row[0], $row[1]) : new Run();
    }

    /** @param list<array{int, list<int>, bool}> $where */
    private static function conditions(array $where): string
    {
        $sql = '';
        foreach ($where as [$place, $ids, $keeps]) {
            $sql .= " AND s.m$place ".($keeps ? 'IN' : 'NOT IN').' ('.self::list($ids).')';
        }

        return $sql;
    }

    /** @param list<int> $ids */
    private static function list(array $ids): string
    {
        return implode(',', array_map(intval(...), $ids));
    }
}
