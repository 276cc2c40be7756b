<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind\Engine;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;

/** PostgreSQL reads through a cursor, which takes one query and no other statement. */
final readonly class PostgreSql implements Engine
{
    private const ROWS_AT_ONCE = 10_000;
    private const CONNECT_SECONDS = 10;

    public function open(DatabaseSettings $settings, string $address, ?string $secret): Connection
    {
        $connection = DriverManager::getConnection([
            'driver' => 'pdo_pgsql',
            'host' => $address,
            'port' => $settings->port,
            'dbname' => $settings->database,
            'user' => $settings->user,
            'password' => $secret ?? '',
            'driverOptions' => [
                \PDO::ATTR_TIMEOUT => self::CONNECT_SECONDS,
                // Numbers as the server writes them, to the last digit.
                \PDO::ATTR_STRINGIFY_FETCHES => true,
            ],
        ]);
        $connection->executeStatement('SET SESSION CHARACTERISTICS AS TRANSACTION READ ONLY');
        $connection->executeStatement('SET statement_timeout = '. 1000 * self::LONGEST);

        return $connection;
    }

    public function read(Connection $connection, string $query, array $parameters): \Generator
    {
        $connection->beginTransaction();
        $connection->executeStatement("DECLARE figures NO SCROLL CURSOR FOR $query", $parameters);
        for ($hasNames = false;; $hasNames = true) {
            $rows = $connection->executeQuery('FETCH '.self::ROWS_AT_ONCE.' FROM figures');
            if (!$hasNames) {
                yield new RowBlock([Names::of($rows)], true);
            }
            $some = $rows->fetchAllNumeric();
            yield new RowBlock($some, true);
            if (\count($some) < self::ROWS_AT_ONCE) {
                break;
            }
        }
        $connection->rollBack();
    }

    public function columns(Connection $connection): iterable
    {
        return $connection->iterateNumeric(
            'SELECT table_schema, table_name, column_name FROM information_schema.columns WHERE table_schema NOT IN '.
                "('pg_catalog', 'information_schema') ORDER BY table_schema, table_name, ordinal_position",
        );
    }
}
