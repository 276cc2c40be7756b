<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

/** Collects the entries of a JSON object that is written; what is left to its default is left out. */
final class Entries
{
    /**
     * Without what is left to its default.
     *
     * @param array<string, mixed> $entries
     *
     * @return array<string, mixed>
     */
    public static function present(array $entries): array
    {
        return array_filter($entries, static fn (mixed $value): bool => null !== $value && [] !== $value);
    }
}
