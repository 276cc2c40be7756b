<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\App\Storage\Files\WholeFile;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Coverage;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Reading\Text\Refusal;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/**
 * Files that were handed in and not yet confirmed, a folder each. Each lies here until it is taken, dropped, or a day
 * old.
 */
final readonly class ReadingShelf
{
    private const SECONDS = 86_400;
    /** All that figures which were read are made of. */
    private const KEPT = [
        ReadFigures::class, FactTable::class, Dataset::class, Measure::class, OverMembers::class, Grouping::class,
        Better::class, Breakdown::class, LineRole::class, Coverage::class, Series::class, Scenario::class, Sums::class,
        Notice::class, Grain::class, FiscalCalendar::class, Period::class,
    ];

    public function __construct(private string $folder, private CurrentJob $job) {}

    /** @param string $path of a file that may be moved away */
    public function put(string $name, string $path): ReadingFile
    {
        $this->clear();
        $id = bin2hex(random_bytes(12));
        $folder = "$this->folder/$id";
        WholeFile::folder($folder);
        try {
            @rename($path, "$folder/file") || WholeFile::copy($path, "$folder/file");
            $digest = (string) hash_file(KeptFiles::DIGEST, "$folder/file");
            WholeFile::write(
                "$folder/about.json", json_encode(['name' => $name, 'digest' => $digest], \JSON_THROW_ON_ERROR),
            );
        } catch (NotWritten $e) {
            self::remove($folder);
            throw $e;
        }

        return new ReadingFile($id, $name, "$folder/file", $digest);
    }

    public function get(string $id): ReadingFile
    {
        $folder = $this->folder($id);
        $about = json_decode((string) @file_get_contents("$folder/about.json"), true);
        if (
            !is_file("$folder/file")
            || !\is_array($about)
            || !\is_string($about['name'] ?? null)
            || !\is_string($about['digest'] ?? null)
        ) {
            throw new NoLongerHere();
        }

        return new ReadingFile($id, $about['name'], "$folder/file", $about['digest']);
    }

    public function drop(string $id): void
    {
        self::remove($this->folder($id));
    }

    /** Begins work on a file; whatever work was going on it ends at its next sign. */
    public function begin(string $id): WorkSign
    {
        $this->get($id);
        $token = bin2hex(random_bytes(8));
        WholeFile::write($this->folder($id).'/work', $token);

        return new WorkSign($this->folder($id), $token, $this->job);
    }

    public function cancel(string $id): void
    {
        $this->get($id);
        @unlink($this->folder($id).'/work');
    }

    /** @return array{phase: string, done: int} */
    public function progress(string $id): array
    {
        $this->get($id);
        $told = json_decode((string) @file_get_contents($this->folder($id).'/progress'), true);

        return [
            'phase' => \is_array($told) && \is_string($told['phase'] ?? null) ? $told['phase'] : '',
            'done' => \is_array($told) && \is_int($told['done'] ?? null) ? $told['done'] : 0,
        ];
    }

    /** Keeps what was read under a mapping, so that it need not be read again when it is confirmed. */
    public function remember(string $id, string $key, ReadFigures $read): void
    {
        $path = $this->folder($id).'/read-'.hash('xxh128', $key);
        try {
            WholeFile::folder($this->folder($id));
            WholeFile::write($path, serialize($read));
        } catch (NotWritten) {
            // It is read once more when it is confirmed.
        }
    }

    public function maybeRead(string $id, string $key): ?ReadFigures
    {
        $bytes = @file_get_contents($this->folder($id).'/read-'.hash('xxh128', $key));
        $read = false === $bytes ? null : unserialize($bytes, ['allowed_classes' => self::KEPT]);

        return $read instanceof ReadFigures ? $read : null;
    }

    /** @param list<Refusal> $refusals */
    public function refused(string $id, array $refusals): void
    {
        WholeFile::write($this->folder($id).'/refusals', serialize($refusals));
    }

    /** @return list<Refusal> of the last trial */
    public function refusals(string $id): array
    {
        $this->get($id);
        $kept = unserialize((string) @file_get_contents($this->folder($id).'/refusals'), [
            'allowed_classes' => [Refusal::class],
        ]);

        return \is_array($kept)
            ? array_values(array_filter($kept, static fn (mixed $one): bool => $one instanceof Refusal))
            : [];
    }

    private function folder(string $id): string
    {
        return 1 === preg_match('/^[0-9a-f]{24}$/D', $id) ? "$this->folder/$id" : throw new NoSuchReading();
    }

    /** Removes what has lain here for a day. */
    public function clear(): void
    {
        foreach (glob($this->folder.'/*', \GLOB_ONLYDIR) ?: [] as $folder) {
            $changed = @filemtime($folder);
            if (false !== $changed && $changed < time() - self::SECONDS) {
                self::remove($folder);
            }
        }
    }

    private static function remove(string $folder): void
    {
        array_map(static fn (string $file): bool => @unlink($file), glob("$folder/*") ?: []);
        @rmdir($folder);
    }
}
