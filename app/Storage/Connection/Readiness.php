<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Connection;

/** Whether a store can be served: read and written, only read, or neither. */
final class Readiness
{
    private const LEAST_ROOM = 16 * 1024 * 1024;

    /** None where all is well; of Full and NotWritable the figures can still be read. */
    public static function maybeTrouble(string $database): ?StorageTrouble
    {
        try {
            if (is_file($database) && filesize($database) > 0) {
                $opened = new \PDO('sqlite:'.self::address($database), null, null, [
                    \PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION,
                ]);
                $opened->query('SELECT COUNT(*) FROM sqlite_master');
            }
        } catch (\PDOException $e) {
            $trouble = StorageTrouble::maybeOf($e);
            if (StorageTrouble::Busy !== $trouble) {
                return self::canWrite($database) ? StorageTrouble::Damaged : $trouble ?? StorageTrouble::Damaged;
            }
        }
        if (!self::canWrite($database)) {
            return StorageTrouble::NotWritable;
        }
        $free = @disk_free_space(\dirname($database));

        return false !== $free && $free < self::LEAST_ROOM ? StorageTrouble::Full : null;
    }

    /**
     * How SQLite is to open it: in a folder that cannot be written to there is no room for its journal, and nobody who
     * changes it.
     */
    public static function address(string $database): string
    {
        return is_file($database) && !self::canWrite($database) && !is_file("$database-wal")
            ? 'file:'.str_replace(['%', '?', '#'], ['%25', '%3f', '%23'], $database).'?immutable=1'
            : $database;
    }

    private static function canWrite(string $database): bool
    {
        $folder = \dirname($database);

        return is_writable(is_dir($folder) ? $folder : \dirname($folder))
            && (!is_file($database) || is_writable($database));
    }
}
