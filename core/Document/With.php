<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document;

/** Values once more, in a few respects other: of classes whose public properties are what their constructors take. */
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
        return (new \ReflectionClass($of))->newInstanceArgs([...get_object_vars($of), ...$in]);
    }
}
