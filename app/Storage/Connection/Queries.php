<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Connection;

use Doctrine\DBAL\Connection;

/** Parts that all bulk queries use. */
final readonly class Queries
{
    public function __construct(public Connection $connection) {}

    /** @return iterable<array<int, mixed>> many rows, past the database layer's own loop */
    public function rows(string $sql): iterable
    {
        $native = $this->connection->getNativeConnection();
        $rows = $native instanceof \PDO ? $native->query($sql, \PDO::FETCH_NUM) : false;

        return false === $rows ? throw new \LogicException('The database is not reached through PDO.') : $rows;
    }

    /** An id that no row of the table has, or had. Unique only within a write turn. */
    public function nextId(string $table): int
    {
        return 1 +
            $this->number(
                'SELECT MAX(COALESCE((SELECT MAX(id) '.
                    "FROM $table), 0), COALESCE((SELECT seq FROM sqlite_sequence WHERE name = '$table'), 0))",
            );
    }

    public function number(string $sql): int
    {
        $value = $this->connection->fetchOne($sql);

        return \is_int($value) ? $value : 0;
    }

    /** @param list<array{int, list<int>, bool}> $where */
    public static function conditions(array $where): string
    {
        $sql = '';
        foreach ($where as [$place, $ids, $keeps]) {
            $sql .= " AND s.m$place ".($keeps ? 'IN' : 'NOT IN').' ('.self::list($ids).')';
        }

        return $sql;
    }

    /** @param list<int> $ids */
    public static function list(array $ids): string
    {
        return implode(',', array_map(intval(...), $ids));
    }
}
