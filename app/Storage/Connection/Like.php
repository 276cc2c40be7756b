<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Connection;

/**
 * What somebody looks for, as a pattern of LIKE that is escaped by `!`: a backslash would mean something to some
 * databases by itself.
 */
final class Like
{
    /** `50!%%` of `50%`: names that begin with it. */
    public static function start(string $sought): string
    {
        return str_replace(['!', '%', '_'], ['!!', '!%', '!_'], $sought).'%';
    }

    /** `%50!%%` of `50%`: names that hold it. */
    public static function within(string $sought): string
    {
        return '%'.self::start($sought);
    }
}
