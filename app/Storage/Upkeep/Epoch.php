<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

/**
 * What counters of versions begin at. Each restoration moves all counters of a store on by the time that has passed
 * since the last one, in microseconds: a page that was open before it, or a picture that somebody kept, never meets its
 * own version again with something else behind it.
 */
final class Epoch
{
    /** Counters by table. */
    private const COUNTERS = [
        'dataset' => ['version', 'revision'],
        'chart' => ['version'],
        'note' => ['version'],
        'named_finish' => ['version'],
        'report' => ['version'],
        'report_version' => ['version'],
        'report_step' => ['was', 'became'],
        'former_name' => ['id'],
    ];

    /**
     * @param \PDO $store that was brought back
     * @param ?\PDO $before what was there; numbers that it gave are not given again. Null: nothing
     */
    public static function renew(\PDO $store, ?\PDO $before): void
    {
        $store->beginTransaction();
        $store->exec('CREATE TABLE IF NOT EXISTS store (id INTEGER PRIMARY KEY NOT NULL, epoch INTEGER NOT NULL)');
        $store->exec('INSERT OR IGNORE INTO store (id, epoch) VALUES (1, 0)');
        $was = self::of($store);
        $now = max((int) (microtime(true) * 1_000_000), $was + 1, null === $before ? 0 : self::of($before) + 1);
        foreach (self::COUNTERS as $table => $columns) {
            if (!self::has($store, $table)) {
                continue;
            }
            // Later versions first: no two rows may have the same one at any moment.
            $sets = implode(', ', array_map(
                static fn (string $column): string => "$column = $column + ".($now - $was),
                $columns,
            ));
            $store->exec("UPDATE $table SET $sets");
        }
        $store->exec("UPDATE store SET epoch = $now WHERE id = 1");
        null === $before || self::keepNumbers($store, $before);
        $store->commit();
    }

    /** 0 where the store was never brought back. */
    public static function of(\PDO $store): int
    {
        $row = self::has($store, 'store') ? $store->query('SELECT epoch FROM store WHERE id = 1') : false;

        return false === $row ? 0 : (int) $row->fetchColumn();
    }

    /** Ids go on where those of the store before had come to. */
    private static function keepNumbers(\PDO $store, \PDO $before): void
    {
        if (!self::has($store, 'sqlite_sequence') || !self::has($before, 'sqlite_sequence')) {
            return;
        }
        $rows = $before->query('SELECT name, seq FROM sqlite_sequence');
        /** @var list<array{string, int}> $given */
        $given = false === $rows ? [] : $rows->fetchAll(\PDO::FETCH_NUM);
        $raise = $store->prepare('UPDATE sqlite_sequence SET seq = MAX(seq, ?) WHERE name = ?');
        $begin = $store->prepare(
            'INSERT INTO sqlite_sequence (name, seq) SELECT ?, ? WHERE NOT EXISTS '.
                '(SELECT 1 FROM sqlite_sequence WHERE name = ?)',
        );
        foreach ($given as [$name, $number]) {
            if (self::has($store, $name)) {
                $raise->execute([$number, $name]);
                $begin->execute([$name, $number, $name]);
            }
        }
    }

    private static function has(\PDO $store, string $table): bool
    {
        $found = $store->prepare("SELECT COUNT(*) FROM sqlite_master WHERE type = 'table' AND name = ?");
        $found->execute([$table]);

        return (int) $found->fetchColumn() > 0;
    }
}
