<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

/** A file on its way in. */
final readonly class ReadingFile
{
    /** @param string $digest of its bytes */
    public function __construct(public string $id, public string $name, public string $path, public string $digest)
    {
    }

    public static function at(string $path, string $name): self
    {
        return new self('', $name, $path, (string) hash_file('xxh128', $path));
    }

    public function plainName(): string
    {
        return pathinfo($this->name, \PATHINFO_FILENAME);
    }
}
