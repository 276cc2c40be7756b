<?php

declare(strict_types=1);

namespace KeenMargin\App\Jobs;

use KeenMargin\App\Storage\Files\WholeFile;
use KeenMargin\App\Storage\JobLog;

/**
 * Jobs, a folder each beside the database: what was asked, how far it is, what came of it. Whoever works on one holds a
 * lock on its folder, so that one whose process was killed is known as such.
 */
final readonly class JobShelf
{
    public const DAYS = 7;
    /** After which a job that nobody works on is not going to be begun any more. */
    private const SECONDS_TO_BEGIN = 60;
    /** Times that a lock is tried, 10 ms apart: whoever only looks holds it for a moment. */
    private const TRIES = 50;
    private const ID = '/^[0-9a-f]{24}$/D';

    private string $folder;

    public function __construct(private JobLog $log, string $database)
    {
        $this->folder = \dirname($database).'/jobs';
    }

    /** The job that is asked the same and has not ended; null where there is none. */
    public function maybeAsked(string $question): ?string
    {
        foreach ($this->open() as $id) {
            if ($question === @file_get_contents("$this->folder/$id/question")) {
                return $id;
            }
        }

        return null;
    }

    /** How many jobs wait for their turn. */
    public function waiting(): int
    {
        return \count(array_filter($this->open(), fn (string $id): bool => Job::WAITING === $this->get($id)->state));
    }

    /** @return list<string> ids of those that have not ended */
    private function open(): array
    {
        $open = [];
        foreach (glob("$this->folder/*/asked") ?: [] as $asked) {
            $id = basename(\dirname($asked));
            $hasEnded = is_file("$this->folder/$id/ended");
            if (1 === preg_match(self::ID, $id) && !$hasEnded && Job::ENDED !== $this->get($id)->state) {
                $open[] = $id;
            }
        }

        return $open;
    }

    /**
     * @param array<string, mixed> $asked
     * @param ?string $question by which the same one is known; null: it is not
     */
    public function put(array $asked, string $says, ?string $question = null): string
    {
        $id = bin2hex(random_bytes(12));
        WholeFile::folder("$this->folder/$id");
        null === $question || WholeFile::write("$this->folder/$id/question", $question);
        WholeFile::write(
            "$this->folder/$id/asked",
            json_encode(['says' => $says] + $asked, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
        );

        return $id;
    }

    public function maybeFolder(string $id): ?string
    {
        return 1 === preg_match(self::ID, $id) && is_file("$this->folder/$id/asked") ? "$this->folder/$id" : null;
    }

    /** @return array<string, mixed> */
    public function asked(string $id): array
    {
        return self::read($this->folder($id).'/asked');
    }

    public function get(string $id): Job
    {
        $folder = $this->folder($id);
        $says = self::text($this->asked($id)['says'] ?? '');
        // In this order: it may begin, or end, between two of these. Whoever begins holds the lock before it says so.
        $hasBegun = is_file("$folder/begun");
        $isWorkedOn = $this->isWorkedOn($id);
        $ended = self::read("$folder/ended");
        if ([] !== $ended) {
            $status = \is_int($ended['status'] ?? null) ? $ended['status'] : 500;
            /** @var array<string, mixed> $answer */
            $answer = \is_array($ended['answer'] ?? null) ? $ended['answer'] : [];
            /** @var array<string, string> $headers */
            $headers = \is_array($ended['headers'] ?? null) ? $ended['headers'] : [];

            return new Job(
                $id,
                Job::ENDED,
                $says,
                status: $status,
                answer: $answer,
                file: is_file("$folder/file") ? "$folder/file" : null,
                headers: $headers,
            );
        }
        if ($isWorkedOn && $hasBegun) {
            $progress = self::read("$folder/progress");

            return new Job(
                id: $id,
                state: Job::WORKING,
                says: $says,
                phase: self::text($progress['phase'] ?? ''),
                done: \is_int($progress['done'] ?? null) ? $progress['done'] : 0,
                of: \is_int($progress['of'] ?? null) ? $progress['of'] : null,
            );
        }
        if (!$hasBegun && ($isWorkedOn || filemtime("$folder/asked") > time() - self::SECONDS_TO_BEGIN)) {
            return new Job($id, Job::WAITING, $says);
        }

        // Its process is gone. What it changed it changed in one transaction, which tells whether that came to its end.
        return $this->log->isDone($id)
            ? new Job($id, Job::ENDED, $says, status: 200, answer: ['done' => true])
            : new Job(
                $id,
                Job::ENDED,
                $says,
                status: 503,
                answer: [
                    'type' => 'about:blank',
                    'title' => 'Service Unavailable',
                    'status' => 503,
                    'detail' => 'It was interrupted, as its process was ended. Nothing was changed. Begin it again.',
                ],
            );
    }

    /** @return resource|null held as long as somebody works on it; none where somebody else does */
    public function maybeTaken(string $id): mixed
    {
        $lock = @fopen($this->folder($id).'/lock', 'c');

        for ($tries = 0; \is_resource($lock) && $tries < self::TRIES; ++$tries) {
            if (flock($lock, \LOCK_EX | \LOCK_NB)) {
                return $lock;
            }
            usleep(10_000);
        }

        return null;
    }

    /** @param array<string, mixed> $ended */
    public function end(string $id, array $ended): void
    {
        WholeFile::write(
            $this->folder($id).'/ended',
            json_encode($ended, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE),
        );
    }

    /** Ends the work at its next sign; where none has begun it never does. */
    public function stop(string $id): void
    {
        @touch($this->folder($id).'/stop');
    }

    /** @return int how many old ones went */
    public function clear(): int
    {
        $gone = 0;
        foreach (glob("$this->folder/*", \GLOB_ONLYDIR) ?: [] as $folder) {
            $id = basename($folder);
            if (
                1 === preg_match(self::ID, $id)
                && filemtime($folder) < time() - 86_400 * self::DAYS
                && !$this->isWorkedOn($id)
            ) {
                array_map(static fn (string $file): bool => @unlink($file), glob("$folder/*") ?: []);
                $gone += @rmdir($folder) ? 1 : 0;
            }
        }
        $this->log->forget(new \DateTimeImmutable('-'.self::DAYS.' days'));

        return $gone;
    }

    private function isWorkedOn(string $id): bool
    {
        $lock = @fopen("$this->folder/$id/lock", 'r');

        return \is_resource($lock) && !flock($lock, \LOCK_SH | \LOCK_NB);
    }

    private function folder(string $id): string
    {
        return $this->maybeFolder($id) ?? throw new \OutOfBoundsException("There is no job $id.");
    }

    /** @return array<string, mixed> nothing where there is no such file */
    private static function read(string $path): array
    {
        /** @var array<string, mixed> */
        return json_decode((string) @file_get_contents($path), true) ?? [];
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }
}
