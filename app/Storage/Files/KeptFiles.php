<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Files;

/**
 * The files that figures came from, beside the database, so that every figure can be shown in the row that it stood in.
 */
final readonly class KeptFiles
{
    /** How databases are called, and what lies beside them. */
    private const DATABASE = '/^(.+\.(?:sqlite3?|db3?)|.+(?=-wal$|-shm$|\.turn$|\.serving$))/iD';
    /** Digest and size: a file is known by what it holds, and one that came twice is kept once. */
    private const NAME = '/^([0-9a-f]+)-(\d+)$/D';
    /** Of the digest in a name, as readings are known by it. */
    public const DIGEST = 'xxh128';
    /** Names of the files that are still needed: imports show their rows, arrivals wait to be taken. */
    public const REFERRED =
        'SELECT kept_file FROM import WHERE kept_file IS NOT NULL UNION SELECT kept_file FROM arrival WHERE '.
        "kept_file IS NOT NULL AND state = 'waits' ORDER BY 1";
    /** A copy that was begun so long ago is not being made any more. */
    private const PART_SECONDS = 86_400;

    public function __construct(public string $folder) {}

    public static function beside(string $database): self
    {
        return new self(\dirname($database).'/files');
    }

    /**
     * Copies a file to where it will be kept, under another name until keep() is called.
     *
     * @throws NotWritten
     */
    public function copied(string $path, string $digest): KeptCopy
    {
        WholeFile::folder($this->folder);
        $copy = new KeptCopy($this->folder, $digest.'-'.filesize($path), $path);
        $copy->make();

        return $copy;
    }

    public function maybePath(string $name): ?string
    {
        $path = "$this->folder/$name";

        return 1 === preg_match(self::NAME, $name) && is_file($path) ? $path : null;
    }

    /** Whether a kept file holds what it held when it came. */
    public function isUnchanged(string $name): bool
    {
        $path = $this->maybePath($name);

        return null !== $path
            && 1 === preg_match(self::NAME, $name, $told)
            && filesize($path) === (int) $told[2]
            && hash_file(self::DIGEST, $path) === $told[1];
    }

    /** @return array<string, int> sizes by name, of all that are kept */
    public function sizes(): array
    {
        $sizes = [];
        foreach (@scandir($this->folder) ?: [] as $name) {
            if (null !== $this->maybePath($name)) {
                $sizes[$name] = (int) filesize("$this->folder/$name");
            }
        }

        return $sizes;
    }

    /**
     * Whether another database lies beside, whose imports may refer to these files as well. Names alone are looked at:
     * opening and closing a database file drops the locks that this process holds on it. Source:
     * https://sqlite.org/howtocorrupt.html, 2.2
     */
    public function isShared(): bool
    {
        $databases = [];
        foreach (@scandir(\dirname($this->folder)) ?: [] as $name) {
            if (1 === preg_match(self::DATABASE, $name, $part)) {
                $databases[$part[1]] = true;
            }
        }

        return \count($databases) > 1;
    }

    /**
     * Removes what no import refers to, and copies that were never finished. To be called within a write turn, so that
     * no import is about to refer to one of them.
     *
     * @param list<string> $wanted names
     *
     * @return int how many files went
     */
    public function sweep(array $wanted): int
    {
        $gone = $this->isShared() ? [] : array_keys(array_diff_key($this->sizes(), array_flip($wanted)));
        foreach (glob("$this->folder/*.part") ?: [] as $part) {
            $pid = (int) substr((string) strrchr(substr($part, 0, -5), '.'), 1);
            if (!is_dir("/proc/$pid") || filemtime($part) < time() - self::PART_SECONDS) {
                $gone[] = basename($part);
            }
        }
        foreach ($gone as $name) {
            @unlink("$this->folder/$name");
        }

        return \count($gone);
    }
}
