<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

/** One upkeep of a store at a time: what removes files and what copies them wait for each other. */
final class Upkeep
{
    /**
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    public static function alone(string $database, callable $work): mixed
    {
        $lock = @fopen("$database.upkeep", 'c');
        // In a folder that cannot be written to nobody removes anything either.
        \is_resource($lock) && flock($lock, \LOCK_EX);
        try {
            return $work();
        } finally {
            \is_resource($lock) && fclose($lock);
        }
    }
}
