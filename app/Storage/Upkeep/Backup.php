<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Files\NotWritten;

/**
 * All that is kept as one file: the database as it is at one moment, by SQLite's own copy, and the files that its
 * imports refer to, with a manifest of digests. Others go on reading and writing meanwhile.
 */
final class Backup
{
    private const FORMAT = 1;

    /**
     * @param ?\Closure(string): ?string $secrets sealed as the backup holds them, null for one that it does not hold;
     *                                            null: it holds none
     *
     * @return array{bytes: int, datasets: int, files: int, missing: list<string>, secretsLeftOut: int} what it holds;
     *                                                                                                  files that are
     *                                                                                                  not there any
     *                                                                                                  more
     *
     * @throws NotWritten|NotRestored
     */
    public static function write(string $database, string $to, ?\Closure $secrets = null): array
    {
        return Upkeep::alone($database, static function () use ($database, $to, $secrets): array {
            // Beside the backup, as that is where there has to be room for it.
            $copy = "$to.database";
            @unlink($copy);
            $part = "$to.part";
            try {
                self::copy($database, $copy);
                $kept = KeptFiles::beside($database);
                $opened = Soundness::opened($copy);
                $left = KeptSecrets::change($opened, $secrets ?? static fn (string $sealed): ?string => null);
                $names = self::column($opened, KeptFiles::REFERRED);
                $datasets = (int) (self::column($opened, 'SELECT COUNT(*) FROM dataset')[0] ?? 0);
                unset($opened);
                $there = array_values(array_filter($names, $kept->isUnchanged(...)));
                $entries = [BackupFile::DATABASE => $copy];
                foreach ($there as $name) {
                    $entries["files/$name"] = "$kept->folder/$name";
                }
                self::pack($part, $entries, [
                    'datasets' => $datasets,
                    'missing' => array_values(array_diff($names, $there)),
                ]);
                BackupFile::opened($part)->verify();
                @rename($part, $to) || throw NotWritten::at($to);

                return [
                    'bytes' => (int) filesize($to),
                    'datasets' => $datasets,
                    'files' => \count($there),
                    'missing' => array_values(array_diff($names, $there)),
                    'secretsLeftOut' => $left,
                ];
            } finally {
                foreach ([$copy, "$copy-journal", $part] as $left) {
                    @unlink($left);
                }
            }
        });
    }

    private static function copy(string $database, string $to): void
    {
        $opened = Soundness::opened($database);
        $opened->exec('VACUUM INTO '.$opened->quote($to));
    }

    /**
     * @param array<string, string> $entries paths by name
     * @param array<string, mixed> $more
     */
    private static function pack(string $to, array $entries, array $more): void
    {
        $digests = [];
        $zip = new \ZipArchive();
        if (true !== $zip->open($to, \ZipArchive::CREATE | \ZipArchive::OVERWRITE)) {
            throw NotWritten::at($to);
        }
        foreach ($entries as $name => $path) {
            $zip->addFile($path, $name);
            $digest = hash_file(BackupFile::DIGEST, $path);
            $digests[$name] = ['bytes' => (int) filesize($path), BackupFile::DIGEST => $digest];
        }
        $manifest = [
            'keenMarginBackup' => self::FORMAT,
            'at' => (new \DateTimeImmutable())->format(\DateTimeInterface::ATOM),
        ] +
            $more + ['entries' => $digests];
        $zip->addFromString(
            BackupFile::MANIFEST,
            json_encode($manifest, \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR),
        );
        @$zip->close() || throw NotWritten::at($to, (int) array_sum(array_map(filesize(...), $entries)));
    }

    /** @return list<string> */
    private static function column(\PDO $database, string $sql): array
    {
        $rows = $database->query($sql);

        /** @var list<string> */
        return false === $rows
            ? []
            : array_map(
                static fn (mixed $cell): string => \is_scalar($cell) ? (string) $cell : '',
                $rows->fetchAll(\PDO::FETCH_COLUMN),
            );
    }
}
