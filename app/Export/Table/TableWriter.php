<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

/** Writes a table to a file row by row, whatever its format, without holding it in memory. */
interface TableWriter
{
    /** @param string $path of the file to be made */
    public static function to(string $path, string $sheet): self;

    /**
     * @param list<string|ExactCell> $cells texts, and amounts
     */
    public function row(array $cells): void;

    public function close(): void;
}
