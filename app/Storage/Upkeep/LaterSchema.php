<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

/**
 * Whether a database was written by a later version of Keen Margin: it then has migrations that this one does not know,
 * and its rows may mean something else.
 */
final class LaterSchema
{
    /** @return list<string> its migrations that this version does not know; none where it is as old, or older */
    public static function unknown(\PDO $database): array
    {
        $table = $database->query(
            "SELECT COUNT(*) FROM sqlite_master WHERE type = 'table' AND name = 'doctrine_migration_versions'",
        );
        if (false === $table || 0 === (int) $table->fetchColumn()) {
            return [];
        }
        $rows = $database->query('SELECT version FROM doctrine_migration_versions ORDER BY version');
        $names = false === $rows ? [] : $rows->fetchAll(\PDO::FETCH_COLUMN);
        $known = array_map(
            static fn (string $file): string => basename($file, '.php'),
            glob(\dirname(__DIR__, 3).'/migrations/Version*.php') ?: [],
        );
        $told = array_map(
            static fn (mixed $name): string => \is_string($name) ? basename(strtr($name, '\\', '/')) : '',
            $names,
        );

        return array_values(array_diff($told, $known));
    }

    /** What to say of it. */
    public static function says(): string
    {
        return 'These figures were kept by a later version of Keen Margin. Start that one, or bring back an older '.
            'backup.';
    }
}
