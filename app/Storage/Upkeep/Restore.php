<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\App\Storage\Files\WholeFile;

/** Brings a backup back: all of it, checked, or nothing. What was there before is kept beside. */
final class Restore
{
    /**
     * @param string $database where it is to be
     * @param bool $isReplace whether what is there may be put aside
     * @param ?\Closure(string): ?string $secrets sealed as they are kept here; null for one that cannot be opened
     *
     * @return array{files: int, beside: ?string, secretsLeftOut: int} how many kept files came back; where what was
     *                                                                 there before lies now
     *
     * @throws NotRestored|NotWritten
     */
    public static function run(
        BackupFile $backup,
        string $database,
        bool $isReplace,
        ?\Closure $secrets = null,
    ): array {
        $files = KeptFiles::beside($database);
        $isThere =
            file_exists($database) || file_exists("$database-wal") || (!$files->isShared() && [] !== $files->sizes());
        if ($isThere && !$isReplace) {
            throw new NotRestored(
                "There are figures in $database already. Name another place with --to, or give --replace: what is ".
                    'there is kept beside.',
            );
        }
        $isNewFolder = !is_dir(\dirname($database));
        WholeFile::folder(\dirname($database));
        $new = "$database.restoring";
        self::remove($new);
        WholeFile::folder("$new/files");
        try {
            $backup->unpack(BackupFile::DATABASE, "$new/".BackupFile::DATABASE);
            foreach ($backup->files() as $name) {
                $backup->unpack("files/$name", "$new/files/$name");
            }
            self::insistSound("$new/".BackupFile::DATABASE);
            $before = is_file($database) ? Soundness::opened($database) : null;
            Epoch::renew(Soundness::opened("$new/".BackupFile::DATABASE), $before);
            unset($before);
            $left = KeptSecrets::change(
                Soundness::opened("$new/".BackupFile::DATABASE),
                $secrets ?? static fn (string $sealed): ?string => null,
            );
            $beside = $isThere ? self::putAside($database, $files) : null;
            self::take("$new/files", $files->folder, $backup);
            @rename("$new/".BackupFile::DATABASE, $database) || throw NotWritten::at($database);

            return ['files' => \count($backup->files()), 'beside' => $beside, 'secretsLeftOut' => $left];
        } finally {
            self::remove($new);
            // Where it was refused, nothing is left of it.
            $isNewFolder && !is_file($database) && @rmdir(\dirname($database));
        }
    }

    private static function insistSound(string $database): void
    {
        if ([] !== LaterSchema::unknown(Soundness::opened($database))) {
            throw new NotRestored(LaterSchema::says().' Nothing was changed.');
        }
        foreach (Soundness::ofFile($database)->check() as $check) {
            // A file that was missing when the backup was made is missing still; it says so.
            if ([] !== $check['troubles'] && !str_contains($check['what'], 'kept file')) {
                throw new NotRestored(
                    "What the backup holds is not sound: {$check['troubles'][0]}. Nothing was changed.",
                );
            }
        }
    }

    /**
     * Files are named by what they hold: one that is there already and holds what the backup says is the same; one that
     * does not is damaged, and gives way.
     */
    private static function take(string $from, string $to, BackupFile $backup): void
    {
        WholeFile::folder($to);
        foreach (glob("$from/*") ?: [] as $path) {
            $there = "$to/".basename($path);
            $isSame =
                is_file($there)
                && hash_file(BackupFile::DIGEST, $there) === $backup->digest('files/'.basename($path));
            $isSame || @rename($path, $there) || throw NotWritten::at($there);
        }
    }

    /** @return string the folder that holds what was there */
    private static function putAside(string $database, KeptFiles $files): string
    {
        $beside = \dirname($database).'/before-'.date('Y-m-d-His');
        for ($i = 2; file_exists($beside); ++$i) {
            $beside = \dirname($database).'/before-'.date('Y-m-d-His')."-$i";
        }
        WholeFile::folder($beside);
        if ($files->isShared()) {
            // Another database goes on referring to them.
            WholeFile::folder("$beside/files");
            foreach (array_keys($files->sizes()) as $name) {
                @link("$files->folder/$name", "$beside/files/$name")
                    || WholeFile::copy("$files->folder/$name", "$beside/files/$name");
            }
        }
        $moved = [
            $database,
            "$database-wal",
            "$database-shm",
            "$database.schema",
            ...$files->isShared() ? [] : [$files->folder],
        ];
        foreach ($moved as $path) {
            if (file_exists($path) && !@rename($path, "$beside/".basename($path))) {
                throw NotWritten::at($path);
            }
        }

        return $beside;
    }

    private static function remove(string $folder): void
    {
        foreach (['files/*', 'keen.sqlite*'] as $pattern) {
            array_map(static fn (string $path): bool => @unlink($path), glob("$folder/$pattern") ?: []);
        }
        @rmdir("$folder/files");
        @rmdir($folder);
    }
}
