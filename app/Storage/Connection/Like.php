<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Connection;

use KeenMargin\Core\Document\SearchText;

/**
 * What somebody looks for, as a pattern of LIKE that is escaped by `!`: a backslash would mean something to some
 * databases by itself.
 */
final class Like
{
    /**
     * `folded(r.title) LIKE :like ESCAPE '!'`, of SQL and DQL: whether any of the texts is like a parameter.
     *
     * @param list<string> $texts
     */
    public static function any(array $texts, string $parameter): string
    {
        $like = static fn (string $text): string => Folded::NAME."($text) LIKE :$parameter ESCAPE '!'";

        return '('.implode(' OR ', array_map($like, $texts)).')';
    }

    /** `50!%%` of `50%`: folded names that begin with it. */
    public static function start(string $sought): string
    {
        return str_replace(['!', '%', '_'], ['!!', '!%', '!_'], SearchText::folded($sought)).'%';
    }

    /** `%50!%%` of `50%`: folded names that hold it. */
    public static function within(string $sought): string
    {
        return '%'.self::start($sought);
    }
}
