<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Turn;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\DriverException;
use KeenMargin\App\Storage\Connection\StorageTrouble;

/**
 * Writes on the side of reading: what was looked at, what was found. While somebody else writes they are left out, not
 * waited for.
 */
final readonly class WriteAside
{
    private const PATIENCE = 20;

    public function __construct(private Connection $connection) {}

    /** @param list<mixed> $values */
    public function write(string $sql, array $values): void
    {
        $patience = $this->connection->fetchOne('PRAGMA busy_timeout');
        $this->connection->executeStatement('PRAGMA busy_timeout = '.self::PATIENCE);
        try {
            $this->connection->executeStatement($sql, $values);
        } catch (DriverException $e) {
            // The next reader will write it. Reading goes on, also where the disk is full or cannot be written to.
            null !== StorageTrouble::maybeOf($e) || throw $e;
        } finally {
            $this->connection->executeStatement('PRAGMA busy_timeout = '.(is_numeric($patience) ? (int) $patience : 0));
        }
    }
}
