<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/** What SQLite needs to be told on each connection: foreign keys, a journal that lets readers go on, patience; what is answered is on the disk. */
final class SqliteSettings implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new class($driver) extends AbstractDriverMiddleware {
            public function connect(array $params): Driver\Connection
            {
                if (isset($params['path'])) {
                    $params['path'] = Readiness::address($params['path']);
                }
                $connection = parent::connect($params);
                foreach (['busy_timeout = 5000', 'journal_mode = WAL', 'synchronous = FULL', 'foreign_keys = ON', 'cache_size = -32000'] as $pragma) {
                    $connection->exec("PRAGMA $pragma");
                }

                return $connection;
            }
        };
    }
}
