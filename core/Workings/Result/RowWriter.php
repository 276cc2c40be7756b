<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** Writes the numbers of a row as the workings document of its kind has them. */
interface RowWriter
{
    /** @return array<string, mixed> amounts as decimal strings, missing ones as null */
    public function numbers(Row $row): array;

    /** @return array<string, mixed> what the document has besides rows and totals */
    public function besides(Workings $workings): array;
}
