<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

/** A file of figures as a source brought it. */
final readonly class Fetched
{
    private const LINE = 1_000_000;

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
    ) {}

    /** Whether there is a header alone, or no row of JSON: there are no figures of what was asked for yet. */
    public function isWithoutRows(): bool
    {
        $file = @fopen($this->path, 'r');
        $lines = [];
        while (\is_resource($file) && \count($lines) < 2 && false !== ($line = fgets($file, self::LINE))) {
            '' === trim($line, " \r\n\t\xEF\xBB\xBF") || ($lines[] = $line);
        }
        // One line is a header, unless it is a workbook or a JSON object.
        $isHeader = static fn (string $line): bool => 1 !== preg_match('/^(?:PK|\s*\{)|\x00/', $line);

        return [] === $lines || (1 === \count($lines) && $isHeader($lines[0]));
    }
}
