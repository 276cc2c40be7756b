<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Turn;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseException;
use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Record\DatasetRecord;

/**
 * One writer at a time. Work that reads what it then changes runs in a transaction that holds the write lock from its
 * start, and loads its records within it: what was loaded before may be older than what another writer has left.
 */
final readonly class WriteTurn
{
    private Connection $connection;

    public function __construct(private EntityManagerInterface $manager, private WriteQueue $queue)
    {
        $this->connection = $manager->getConnection();
    }

    /**
     * Changes to records are written when the work returns; nothing is when it throws. May be called within another
     * turn.
     *
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    public function take(callable $work): mixed
    {
        if ($this->connection->isTransactionActive()) {
            return $this->within($work);
        }
        $this->queue->enter();
        try {
            return $this->within($work);
        } finally {
            $this->queue->leave();
        }
    }

    /**
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    private function within(callable $work): mixed
    {
        $this->connection->beginTransaction();
        try {
            // A statement that writes takes the lock, also where it finds no row.
            $this->connection->executeStatement('UPDATE dataset SET used_at = used_at WHERE id = 0');
            $this->manager->clear();
            $done = $work();
            $this->manager->flush();
            $this->connection->commit();

            return $done;
        } catch (\Throwable $e) {
            $this->rollBack();
            throw $e;
        }
    }

    /** Where the disk is full SQLite has rolled back by itself; that must not hide why. */
    private function rollBack(): void
    {
        try {
            $this->connection->rollBack();
        } catch (DatabaseException) {
            $this->connection->close();
        }
    }

    /**
     * The same with a dataset as it is now.
     *
     * @template T
     *
     * @param callable(DatasetRecord): T $work
     *
     * @return T
     *
     * @throws DeletedMeanwhile
     */
    public function onDataset(int $id, callable $work): mixed
    {
        return $this->take(function () use ($id, $work): mixed {
            $record = $this->manager->find(DatasetRecord::class, $id);

            return null !== $record && null === $record->deletedAt
                ? $work($record)
                : throw new DeletedMeanwhile("There is no dataset $id. It may have been deleted.");
        });
    }
}
