<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Connection;

/** Which jobs were done: written in the transaction of what they changed. */
final readonly class JobLog
{
    public function __construct(private Connection $connection) {}

    public function isDone(string $job): bool
    {
        return false !== $this->connection->fetchOne('SELECT 1 FROM job_done WHERE id = ?', [$job]);
    }

    public function forget(\DateTimeImmutable $before): void
    {
        $this->connection->executeStatement('DELETE FROM job_done WHERE at < ?', [
            $before->format(\DateTimeInterface::ATOM),
        ]);
    }
}
