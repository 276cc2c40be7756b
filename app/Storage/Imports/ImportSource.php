<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Imports;

/** Where figures came from and how they were read, as the import remembers it. */
final readonly class ImportSource
{
    /**
     * @param string $digest of the bytes
     * @param array<string, mixed> $mapping
     * @param string $signature of the header
     * @param ?string $path of the file, which is kept with the data
     * @param string $who brought it, as they sign; the name of a source that brought it by itself
     */
    public function __construct(
        public string $name,
        public string $digest,
        public array $mapping,
        public string $signature,
        public ?string $path = null,
        public string $who = '',
    ) {}
}
