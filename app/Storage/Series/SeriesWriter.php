<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use Doctrine\DBAL\Connection;
use KeenMargin\Core\Figures\Keeping\Run;

/**
 * Writes many series, many rows at a time, past the database layer's own statements. What was handed in is written at
 * the latest by flush().
 */
final class SeriesWriter
{
    private const ROWS_AT_ONCE = 60;
    private const TABLES = [
        'series' => ['(id, dataset, measure, scenario, m0, m1, m2, m3, m4, m5, m6, m7)', ''],
        'packed' => [
            '(series, amounts, imports)',
            ' ON CONFLICT (series) DO UPDATE SET amounts = excluded.amounts, imports = excluded.imports',
        ],
        'touched' => [
            '(import, series, amounts, imports)',
            ' ON CONFLICT (import, series) DO UPDATE SET amounts = excluded.amounts, imports = excluded.imports',
        ],
        'series_total' => [
            '(dataset, place, member, measure, scenario, amounts, counts)',
            ' ON CONFLICT (dataset, place, measure, scenario, member) DO UPDATE SET amounts = excluded.amounts, '
                .'counts = excluded.counts',
        ],
    ];

    private readonly \PDO $database;
    /** @var array<key-of<self::TABLES>, list<list<int|string>>> */
    private array $waiting = ['series' => [], 'packed' => [], 'touched' => [], 'series_total' => []];
    /** @var array<string, \PDOStatement> */
    private array $statements = [];

    public function __construct(Connection $connection)
    {
        $native = $connection->getNativeConnection();
        $this->database =
            $native instanceof \PDO ? $native : throw new \LogicException('The database is not reached through PDO.');
    }

    /** @param string $key as SeriesStore::seriesKey() writes it */
    public function series(int $id, int $dataset, string $key): void
    {
        $this->put('series', [$id, $dataset, ...array_map(intval(...), explode(',', $key))]);
    }

    public function run(int $series, Run $run): void
    {
        if ([] === $run->amounts) {
            $this->flush();
            $this->database->exec("DELETE FROM packed WHERE series = $series");

            return;
        }
        $this->put('packed', [$series, ...$run->pack()]);
    }

    /** Amounts that all come with one import, as they were packed when they were read. */
    public function packed(int $series, string $amounts, int $import): void
    {
        $this->put('packed', [$series, $amounts, pack('q', $import)]);
    }

    public function log(int $import, int $series, Run $before): void
    {
        $this->put('touched', [$import, $series, ...[] === $before->amounts ? ['', ''] : $before->pack()]);
    }

    public function total(
        int $dataset,
        int $place,
        int $member,
        int $measure,
        int $scenario,
        string $amounts,
        string $counts,
    ): void {
        $this->put('series_total', [$dataset, $place, $member, $measure, $scenario, $amounts, $counts]);
    }

    public function flush(): void
    {
        // In this order: a series before what refers to it.
        foreach (['series', 'packed', 'touched', 'series_total'] as $table) {
            $this->send($table);
        }
    }

    /**
     * @param key-of<self::TABLES> $table
     * @param list<int|string> $values numbers, and bytes
     */
    private function put(string $table, array $values): void
    {
        $this->waiting[$table][] = $values;
        if (\count($this->waiting[$table]) >= self::ROWS_AT_ONCE) {
            'series' === $table ? $this->send($table) : $this->flush();
        }
    }

    /** @param key-of<self::TABLES> $table */
    private function send(string $table): void
    {
        $rows = $this->waiting[$table];
        if ([] === $rows) {
            return;
        }
        $this->waiting[$table] = [];
        [$columns, $conflict] = self::TABLES[$table];
        $sql =
            "INSERT INTO $table $columns VALUES ".
            implode(', ', array_fill(0, \count($rows), '('.implode(', ', array_fill(0, \count($rows[0]), '?')).')')).
            $conflict;
        $statement = $this->statements[$sql] ??= $this->database->prepare($sql);
        $at = 0;
        foreach ($rows as $values) {
            foreach ($values as $value) {
                $statement->bindValue(++$at, $value, \is_int($value) ? \PDO::PARAM_INT : \PDO::PARAM_LOB);
            }
        }
        $statement->execute();
    }
}
