<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Connection;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Exception as DriverException;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use KeenMargin\Core\Document\SearchText;

/**
 * What SQLite needs to be told on each connection: foreign keys, a journal that lets readers go on, patience; what is
 * answered is on the disk.
 */
final class SqliteSettings implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new class($driver) extends AbstractDriverMiddleware {
            public function connect(array $params): Driver\Connection
            {
                $path = isset($params['path']) ? ($params['path'] = Readiness::address($params['path'])) : null;
                try {
                    return $this->settled(parent::connect($params), []);
                } catch (DriverException $e) {
                    if (null === $path || StorageTrouble::Full !== StorageTrouble::maybeOf($e, $path)) {
                        throw $e;
                    }

                    // A full disk has no room for what readers share. One that locks the others out does without it.
                    return $this->settled(parent::connect($params), ['locking_mode = EXCLUSIVE']);
                }
            }

            /** @param list<string> $first */
            private function settled(Driver\Connection $connection, array $first): Driver\Connection
            {
                foreach (
                    [
                        'busy_timeout = 5000',
                        ...$first,
                        'journal_mode = WAL',
                        'synchronous = FULL',
                        'foreign_keys = ON',
                        'cache_size = -32000',
                    ] as $pragma
                ) {
                    $connection->exec("PRAGMA $pragma");
                }
                $native = $connection->getNativeConnection();
                \assert($native instanceof \PDO);
                $fold = static fn (?string $text): ?string => null === $text ? null : SearchText::folded($text);
                $native->sqliteCreateFunction(Folded::NAME, $fold, 1, \PDO::SQLITE_DETERMINISTIC);
                $connection->query('SELECT 1 FROM sqlite_master LIMIT 1');

                return $connection;
            }
        };
    }
}
