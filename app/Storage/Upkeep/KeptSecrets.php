<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

/** The secrets of sources in a copy of a database, which leave the house sealed otherwise, or not at all. */
final class KeptSecrets
{
    /**
     * @param \Closure(string): ?string $sealed otherwise; null: it is left out
     *
     * @return int how many are left out
     */
    public static function change(\PDO $database, \Closure $sealed): int
    {
        // Nothing of what is overwritten is to be found in the file's free room.
        $database->exec('PRAGMA secure_delete = ON');
        $hasSources = $database->query("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'source'");
        if (false === $hasSources || false === $hasSources->fetchColumn()) {
            return 0;
        }
        $known = $database->query('SELECT id, secret FROM source WHERE secret IS NOT NULL');
        $left = 0;
        foreach (false === $known ? [] : $known->fetchAll(\PDO::FETCH_KEY_PAIR) as $id => $secret) {
            $new = $sealed(\is_string($secret) ? $secret : '');
            $left += null === $new ? 1 : 0;
            $database->prepare('UPDATE source SET secret = ? WHERE id = ?')->execute([$new, $id]);
        }

        return $left;
    }
}
