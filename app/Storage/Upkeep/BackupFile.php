<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

use KeenMargin\App\Storage\Files\NotWritten;

/** A backup that is there: what it says of itself, and whether that holds. Nothing that it names is trusted. */
final readonly class BackupFile
{
    public const DATABASE = 'keen.sqlite';
    public const MANIFEST = 'manifest.json';
    public const DIGEST = 'sha256';
    private const ENTRY = '#^(?:keen\.sqlite|files/[0-9a-f]+-\d+)$#D';
    private const CHUNK = 1 << 20;

    /** @param array<string, array{bytes: int, sha256: string}> $entries */
    private function __construct(private \ZipArchive $zip, private array $entries, public string $at) {}

    /** @throws NotRestored */
    public static function opened(string $path): self
    {
        $zip = new \ZipArchive();
        if (!is_file($path) || true !== $zip->open($path, \ZipArchive::RDONLY)) {
            throw new NotRestored(basename($path).' is no backup, or was cut short.');
        }
        $manifest = json_decode((string) $zip->getFromName(self::MANIFEST), true);
        $told =
            \is_array($manifest) && 1 === ($manifest['keenMarginBackup'] ?? null)
                ? $manifest['entries'] ?? null
                : null;
        if (!\is_array($told) || !isset($told[self::DATABASE])) {
            throw new NotRestored(basename($path).' is no backup of Keen Margin, or of a later version.');
        }
        $entries = [];
        foreach ($told as $name => $entry) {
            if (
                1 !== preg_match(self::ENTRY, (string) $name)
                || !\is_array($entry)
                || !\is_int($entry['bytes'] ?? null)
                || !\is_string($entry[self::DIGEST] ?? null)
            ) {
                throw new NotRestored('Its manifest names what no backup holds.');
            }
            $entries[(string) $name] = ['bytes' => $entry['bytes'], 'sha256' => $entry[self::DIGEST]];
        }

        return new self($zip, $entries, \is_string($manifest['at'] ?? null) ? $manifest['at'] : '');
    }

    /** @throws NotRestored where an entry is not what the manifest says */
    public function verify(): void
    {
        foreach (array_keys($this->entries) as $name) {
            $this->read($name, static fn (string $bytes): bool => true);
        }
    }

    /** Of an entry, as the manifest has it; blank where there is none. */
    public function digest(string $name): string
    {
        return $this->entries[$name]['sha256'] ?? '';
    }

    /** @return list<string> names of the kept files */
    public function files(): array
    {
        return array_map(
            static fn (string $name): string => substr($name, 6),
            array_values(
                array_filter(array_keys($this->entries), static fn (string $name): bool => self::DATABASE !== $name),
            ),
        );
    }

    /** @throws NotRestored|NotWritten */
    public function unpack(string $name, string $to): void
    {
        $file = @fopen($to, 'x');
        if (false === $file) {
            throw NotWritten::at($to, $this->entries[$name]['bytes']);
        }
        $isWhole = $this->read($name, static fn (string $bytes): bool => @fwrite($file, $bytes) === \strlen($bytes));
        if (!fclose($file) || !$isWhole) {
            throw NotWritten::at($to, $this->entries[$name]['bytes']);
        }
    }

    /**
     * @param callable(string): bool $take false ends it
     *
     * @return bool whether all was taken
     */
    private function read(string $name, callable $take): bool
    {
        $stream = $this->zip->getStream($name);
        $digest = hash_init(self::DIGEST);
        $bytes = 0;
        while (false !== $stream && !feof($stream)) {
            $chunk = (string) @fread($stream, self::CHUNK);
            if ('' === $chunk) {
                break;
            }
            $bytes += \strlen($chunk);
            hash_update($digest, $chunk);
            if ($bytes > $this->entries[$name]['bytes']) {
                break;
            }
            if (!$take($chunk)) {
                return false;
            }
        }
        if (
            false === $stream
            || $bytes !== $this->entries[$name]['bytes']
            || hash_final($digest) !== $this->entries[$name]['sha256']
        ) {
            throw new NotRestored(
                "$name in it does not hold what the manifest says: the backup is damaged. Nothing was changed.",
            );
        }

        return true;
    }
}
