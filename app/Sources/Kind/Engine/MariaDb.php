<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind\Engine;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\Exception;

/**
 * MariaDB and MySQL read a query that stands in brackets. It has to be one without the brackets, too, so that none can
 * close them; several statements are refused as statements are prepared by the server.
 */
final readonly class MariaDb implements Engine
{
    private const ROWS_AT_ONCE = 1_000;
    private const CONNECT_SECONDS = 10;

    public function open(DatabaseSettings $settings, string $address, ?string $secret): Connection
    {
        $connection = DriverManager::getConnection([
            'driver' => 'pdo_mysql',
            'host' => $address,
            'port' => $settings->port,
            'dbname' => $settings->database,
            'user' => $settings->user,
            'password' => $secret ?? '',
            'charset' => 'utf8mb4',
            'driverOptions' => [
                \PDO::ATTR_TIMEOUT => self::CONNECT_SECONDS,
                \PDO::ATTR_EMULATE_PREPARES => false,
                \PDO::MYSQL_ATTR_USE_BUFFERED_QUERY => false,
                \PDO::MYSQL_ATTR_MULTI_STATEMENTS => false,
                \PDO::MYSQL_ATTR_LOCAL_INFILE => false,
            ],
        ]);
        $connection->executeStatement('SET SESSION TRANSACTION READ ONLY');
        try {
            $connection->executeStatement('SET SESSION max_statement_time = '.self::LONGEST);
        } catch (Exception) {
            // MySQL has another name for it.
            $connection->executeStatement('SET SESSION max_execution_time = '. 1000 * self::LONGEST);
        }

        return $connection;
    }

    public function read(Connection $connection, string $query, array $parameters): \Generator
    {
        $connection->executeStatement('START TRANSACTION READ ONLY');
        $connection->prepare($query);
        $rows = $connection->executeQuery("SELECT * FROM (\n$query\n) AS figures", $parameters);
        yield new RowBlock([Names::of($rows)], true);
        yield from RowBlock::each($rows->iterateNumeric(), self::ROWS_AT_ONCE);
        $connection->executeStatement('ROLLBACK');
    }

    public function columns(Connection $connection): iterable
    {
        return $connection->iterateNumeric(
            "SELECT '', table_name, column_name FROM information_schema.columns WHERE table_schema = DATABASE() ".
                'ORDER BY table_name, ordinal_position',
        );
    }
}
