<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind\Engine;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;

/**
 * A file of SQLite, opened for reading alone. A query stands in brackets, where nothing else may, and has to be one
 * without them, too.
 */
final readonly class Sqlite implements Engine
{
    private const ROWS_AT_ONCE = 1_000;

    public function open(DatabaseSettings $settings, string $address, ?string $secret): Connection
    {
        $connection = DriverManager::getConnection([
            'driver' => 'pdo_sqlite',
            'path' => $address,
            'driverOptions' => [\PDO::SQLITE_ATTR_OPEN_FLAGS => \PDO::SQLITE_OPEN_READONLY],
        ]);
        $connection->executeStatement('PRAGMA query_only = 1');

        return $connection;
    }

    public function read(Connection $connection, string $query, array $parameters): \Generator
    {
        $connection->prepare($query);
        $rows = $connection->executeQuery("SELECT * FROM (\n$query\n)", $parameters);
        yield new RowBlock([Names::of($rows)], true);
        yield from RowBlock::each($rows->iterateNumeric(), self::ROWS_AT_ONCE);
    }

    public function columns(Connection $connection): iterable
    {
        return $connection->iterateNumeric(
            "SELECT '', m.name, c.name FROM sqlite_master m JOIN pragma_table_info(m.name) c ".
                "WHERE m.type IN ('table', ".
                "'view') AND m.name NOT LIKE 'sqlite_%' ORDER BY m.name, c.cid",
        );
    }
}
