<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\App\Export\Report\Origin;

/** A report that is made of files has no address; its figures are what the files hold. */
final readonly class FileOrigin implements Origin
{
    /** @param array<string|int, string> $figures files by the names that the report gives them */
    public function __construct(private array $figures) {}

    public function maybeAddress(string $page, string $named = ''): ?string
    {
        return null;
    }

    public function sources(string $dataset): array
    {
        $files = '' === $dataset ? $this->figures : array_intersect_key($this->figures, [$dataset => true]);

        return array_values(array_map(basename(...), $files));
    }
}
