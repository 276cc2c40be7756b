<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Connection\Queries;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\PackedAmounts;

/**
 * Figures in bulk, past the object mapper: a row for each series, its amounts packed as whole numbers scaled by the
 * measure's decimals. All SQL about figures stands here.
 */
final readonly class SeriesStore
{
    public const PLACES = 8;
    public const NO_MEMBER = 0;
    private const MEMBERS = 'm0, m1, m2, m3, m4, m5, m6, m7';

    private Queries $queries;

    public function __construct(public Connection $connection)
    {
        $this->queries = new Queries($connection);
    }

    public function members(): MemberStore
    {
        return new MemberStore($this->queries);
    }

    public function runs(): RunStore
    {
        return new RunStore($this->queries);
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
     * @param list<int> $measures ids
     * @param list<int> $scenarios numbers
     * @param list<array{int, list<int>, bool}> $where place of the breakdown, member ids, whether they are kept or left
     *                                                 out
     * @param ?int $by place of the breakdown whose members the answer names
     *
     * @return iterable<array{int, int, int, string}> measure, scenario, member (or 0), amounts
     */
    public function amounts(int $dataset, array $measures, array $scenarios, array $where, ?int $by = null): iterable
    {
        $member = null === $by ? '0' : "s.m$by";
        $sql =
            "SELECT s.measure, s.scenario, $member, p.amounts FROM series s CROSS JOIN packed p ON p.series = s.id ".
            "WHERE s.dataset = $dataset AND s.measure IN (".
            Queries::list($measures).
            ') AND s.scenario IN ('.
            Queries::list($scenarios).
            ')';

        /** @var iterable<array{int, int, int, string}> */
        return $this->rows($sql.Queries::conditions($where));
    }

    /**
     * The same with all their members.
     *
     * @param list<int> $measures
     * @param list<int> $scenarios
     * @param list<array{int, list<int>, bool}> $where
     *
     * @return \Generator<int, array{int, int, list<int>, string}> measure, scenario, members, amounts
     */
    public function seriesOf(int $dataset, array $measures, array $scenarios, array $where): \Generator
    {
        /** @var array{0: int, 1: int, 2: string, 3: int} $row */
        foreach (
            $this->rows(
                'SELECT s.measure, s.scenario, p.amounts, '.
                    self::MEMBERS.
                    ' FROM series s CROSS JOIN packed p ON p.series = s.id WHERE s.dataset '.
                    "= $dataset AND s.measure IN (".
                    Queries::list($measures).
                    ') AND s.scenario IN ('.
                    Queries::list($scenarios).
                    ')'.
                    Queries::conditions($where),
            ) as $row
        ) {
            /** @var list<int> $members */
            $members = \array_slice($row, 3);
            yield [$row[0], $row[1], $members, $row[2]];
        }
    }

    /**
     * All series of a dataset in the order of their members, for an export.
     *
     * @return \Generator<int, array{int, int, list<int>, string}> measure, scenario, members, amounts
     */
    public function ordered(int $dataset): \Generator
    {
        $position = static fn (int $place): string => "(SELECT position FROM member WHERE id = s.m$place)";
        $rows = $this->connection
            ->executeQuery(
                'SELECT s.measure, s.scenario, p.amounts, '.
                    self::MEMBERS.
                    ' FROM series s CROSS JOIN packed p ON p.series = s.id WHERE s.dataset '.
                    "= $dataset ORDER BY s.measure, ".
                    implode(', ', array_map($position, range(0, self::PLACES - 1))).
                    ', s.scenario',
            )
            ->iterateNumeric();
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
     * @param list<int> $measures ids
     * @param list<int> $scenarios numbers
     * @param ?list<int> $members ids; none: all of them
     *
     * @return iterable<array{int, int, int, string, string}> measure, scenario, member, amounts, how many amounts are
     *                                                        in each
     */
    public function totals(
        int $dataset,
        int $place,
        array $measures,
        array $scenarios,
        ?array $members = null,
    ): iterable {
        $of =
            ' AND scenario IN ('.
            Queries::list($scenarios).
            ')'.
            (null === $members ? '' : ' AND member IN ('.Queries::list($members).')');

        /** @var iterable<array{int, int, int, string, string}> */
        return $this->rows(
            'SELECT measure, scenario, member, amounts, counts FROM series_total WHERE dataset '.
                "= $dataset AND place = $place AND measure IN (".
                Queries::list($measures).
                ")$of",
        );
    }

    /**
     * Whether any series of a measure and scenario, or of one member of it, has an amount at a period.
     *
     * @param ?array{int, int} $of place and id of a member
     */
    public function hasAny(int $dataset, int $measure, int $scenario, ?array $of, int $start): bool
    {
        $bytes = pack('q', $start);
        $where = null === $of ? [] : [[$of[0], [$of[1]], true]];
        foreach ($this->amounts($dataset, [$measure], [$scenario], $where) as [, , , $packed]) {
            for ($at = strpos($packed, $bytes); false !== $at; $at = strpos($packed, $bytes, $at + 1)) {
                if (0 === $at % PackedAmounts::BYTES) {
                    return true;
                }
            }
        }

        return false;
    }

    public function keepsTotalsOf(int $dataset, int $place): bool
    {
        return false !==
            $this->connection->fetchOne('SELECT 1 FROM series_total WHERE dataset = ? AND place = ? LIMIT 1', [
                $dataset, $place,
            ]);
    }

    /** @param list<int> $members ids */
    public function amountsOf(int $dataset, int $place, array $members): int
    {
        return intdiv(
            $this->number(
                'SELECT COALESCE(SUM(LENGTH(p.amounts)), 0) FROM series s CROSS JOIN packed p ON p.series = s.id '.
                    "WHERE s.dataset = $dataset AND s.m$place IN (".
                    Queries::list($members).
                    ')',
            ),
            PackedAmounts::BYTES,
        );
    }

    /**
     * @return array<string, int> ids of a dataset's series by measure, scenario and members, as seriesKey() writes them
     */
    public function seriesIds(int $dataset): array
    {
        $ids = [];
        /** @var array{0: int, 1: int} $row */
        foreach (
            $this->connection
                ->executeQuery('SELECT id, measure, scenario, '.self::MEMBERS." FROM series WHERE dataset = $dataset")
                ->iterateNumeric() as $row
        ) {
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
        foreach (
            $this->rows(
                'SELECT s.measure, s.scenario, p.amounts, '.
                    self::MEMBERS.
                    " FROM series s CROSS JOIN packed p ON p.series = s.id WHERE s.dataset = $dataset",
            ) as $row
        ) {
            /** @var list<int> $members */
            $members = \array_slice($row, 3);
            yield [$row[0], $row[1], $members, $row[2]];
        }
    }

    /** @return iterable<array<int, mixed>> many rows, past the database layer's own loop */
    public function rows(string $sql): iterable
    {
        return $this->queries->rows($sql);
    }

    /** @return array{string, Scenario, list<string>} measure, scenario and members of a series by name */
    public function named(int $series): array
    {
        $members = implode(
            ', ',
            array_map(
                static fn (int $place): string => "(SELECT name FROM member WHERE id = s.m$place)",
                range(0, self::PLACES - 1),
            ),
        );
        $row = $this->connection->fetchNumeric(
            "SELECT (SELECT name FROM measure WHERE id = s.measure), s.scenario, $members FROM series s WHERE s.id = ?",
            [$series],
        );
        $texts = array_map(
            static fn (mixed $cell): string => \is_scalar($cell) ? (string) $cell : '',
            false === $row ? ['', 1] : $row,
        );

        return [
            $texts[0],
            self::scenario((int) $texts[1]),
            array_values(array_filter(\array_slice($texts, 2), static fn (string $name): bool => '' !== $name)),
        ];
    }

    /** @return array{int, int, list<int>} measure, scenario and members of a series */
    public function keyOf(int $series): array
    {
        /** @var array{0: int, 1: int, 2: int}|false $row */
        $row = $this->connection->fetchNumeric(
            'SELECT measure, scenario, '.self::MEMBERS.' FROM series WHERE id = ?', [$series],
        );
        if (false === $row) {
            throw new \LogicException("There is no series $series.");
        }
        /** @var list<int> $members */
        $members = \array_slice($row, 2);

        return [$row[0], $row[1], $members];
    }

    public function maybeSeries(int $dataset, string $key): ?int
    {
        $id = $this->connection->fetchOne(
            'SELECT id FROM series WHERE dataset = ? AND (measure, scenario, '.self::MEMBERS.") = ($key)", [$dataset],
        );

        return \is_int($id) ? $id : null;
    }

    /** An id that no row of the table has, or had. Unique only within a write turn. */
    public function count(int $dataset): int
    {
        return $this->number("SELECT COUNT(*) FROM series WHERE dataset = $dataset");
    }

    public function hasSeriesOf(int $measure): bool
    {
        return 0 < $this->number("SELECT COUNT(*) FROM series WHERE measure = $measure");
    }

    public function nextId(string $table): int
    {
        return $this->queries->nextId($table);
    }

    public function number(string $sql): int
    {
        return $this->queries->number($sql);
    }
}
