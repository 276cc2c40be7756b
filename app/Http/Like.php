<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

/** What somebody looks for, as a pattern with `!` before signs that would mean something. */
final class Like
{
    public static function of(string $sought): string
    {
        return '%'.str_replace(['!', '%', '_'], ['!!', '!%', '!_'], $sought).'%';
    }
}
