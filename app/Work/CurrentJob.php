<?php

declare(strict_types=1);

namespace KeenMargin\App\Work;

use Doctrine\DBAL\Connection;

/**
 * The job that this process works on: told how far it is, asked whether it is still wanted. In a request of its own
 * there is none.
 */
final class CurrentJob
{
    /** A job that takes longer has gone astray. */
    private const MOST_SECONDS = 3600;
    private const SECONDS_BETWEEN = 0.2;

    private ?string $folder = null;
    private string $id = '';
    private float $begun = 0.0;
    private float $told = 0.0;

    public function __construct(private readonly Connection $connection) {}

    public function begin(string $id, string $folder): void
    {
        [$this->id, $this->folder, $this->begun] = [$id, $folder, microtime(true)];
    }

    public function isNone(): bool
    {
        return null === $this->folder;
    }

    /**
     * @param ?int $of how many there are of what is done; none where that is not known
     *
     * @throws Cancelled
     */
    public function tell(string $phase, int $done, ?int $of = null): void
    {
        $now = microtime(true);
        if (null === $this->folder || $now - $this->told < self::SECONDS_BETWEEN) {
            return;
        }
        $this->told = $now;
        @file_put_contents(
            "$this->folder/progress",
            json_encode(['phase' => $phase, 'done' => $done, 'of' => $of], \JSON_THROW_ON_ERROR),
        );
        $this->insistWanted();
        if ($now - $this->begun > self::MOST_SECONDS) {
            throw new Cancelled('It took longer than an hour and was ended. Nothing was changed.');
        }
    }

    /** @throws Cancelled where somebody has stopped it */
    private function insistWanted(): void
    {
        if (is_file("$this->folder/stop")) {
            throw new Cancelled('It was stopped. Nothing was changed.');
        }
    }

    /**
     * To be called last within the transaction that holds all that the job changes: whoever asks later knows that it
     * was done. Until then it can be stopped.
     *
     * @throws Cancelled
     */
    public function committing(): void
    {
        if (null !== $this->folder) {
            $this->insistWanted();
            $this->connection->executeStatement('INSERT OR IGNORE INTO job_done (id, at) VALUES (?, ?)', [
                $this->id, (new \DateTimeImmutable())->format(\DateTimeInterface::ATOM),
            ]);
        }
    }
}
