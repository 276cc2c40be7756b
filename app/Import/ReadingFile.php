<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\Core\Figures\Reading\Text\MonthWords;

/** A file on its way in. */
final readonly class ReadingFile
{
    public const PASTED = 'Pasted table';

    /** @param string $digest of its bytes */
    public function __construct(public string $id, public string $name, public string $path, public string $digest) {}

    public static function at(string $path, string $name): self
    {
        return new self('', $name, $path, (string) hash_file(KeptFiles::DIGEST, $path));
    }

    public function plainName(): string
    {
        return pathinfo($this->name, \PATHINFO_FILENAME);
    }

    /** Whether the names differ in nothing but numbers and months: `ledger-2026-07`, `ledger-2026-08`. */
    public function isCalledLike(string $other): bool
    {
        return self::PASTED !== $this->name && self::stem($this->name) === self::stem($other);
    }

    private static function stem(string $name): string
    {
        $words = preg_split('/[^\pL]+/u', mb_strtolower(pathinfo($name, \PATHINFO_FILENAME))) ?: [];

        return implode(
            ' ',
            array_filter(
                $words,
                static fn (string $word): bool => '' !== $word && null === MonthWords::maybeNumber($word),
            ),
        );
    }
}
