<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document;

/**
 * Copies a value object and replaces some of its constructor arguments. Its class has a public property for each one.
 */
final class With
{
    /**
     * @template T of object
     *
     * @param T $of
     * @param array<string, mixed> $in
     *
     * @return T
     */
    public static function of(object $of, array $in): object
    {
        return new ($of::class)(...[...get_object_vars($of), ...$in]);
    }
}
