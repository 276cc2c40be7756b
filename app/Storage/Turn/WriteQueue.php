<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Turn;

/**
 * Who wants to write waits here for those before. SQLite's own waiting sleeps ever longer, so that many writers at once
 * leave the database idle and make some of them wait for seconds; a file lock that is tried often does neither.
 */
final class WriteQueue
{
    private const PATIENCE_SECONDS = 4.0;
    private const MICROSECONDS_BETWEEN = 1_000;

    /** @var resource|null */
    private mixed $lock = null;

    public function __construct(private readonly string $database) {}

    /**
     * Whoever waits too long goes on: SQLite itself says then whether there is room, and whether others still write.
     */
    public function enter(): void
    {
        $lock = @fopen("$this->database.turn", 'c');
        if (false === $lock) {
            // In a folder that cannot be written to nobody writes.
            return;
        }
        $until = microtime(true) + self::PATIENCE_SECONDS;
        while (!flock($lock, \LOCK_EX | \LOCK_NB)) {
            if (microtime(true) > $until) {
                fclose($lock);

                return;
            }
            usleep(self::MICROSECONDS_BETWEEN);
        }
        $this->lock = $lock;
    }

    public function leave(): void
    {
        null === $this->lock || fclose($this->lock);
        $this->lock = null;
    }
}
