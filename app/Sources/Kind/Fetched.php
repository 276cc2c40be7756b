<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

/** A file of figures as a source brought it. */
final readonly class Fetched
{
    /**
     * @param string $name by which its import is known: `Entries 2026-08`
     * @param string $scope what was asked for: a later answer to the same stands in place of this one
     * @param array<string, mixed> $remember for the next fetch, once this one has been read
     * @param array<string, mixed> $mapping what the kind itself knows of how the file is to be read
     */
    public function __construct(
        public string $path,
        public string $name,
        public string $scope,
        public array $remember = [],
        public array $mapping = [],
    ) {
    }
}
