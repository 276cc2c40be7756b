<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** What somebody wrote about a row, with its number in the chart. */
final readonly class RowNote
{
    public function __construct(public int $number, public string $row, public string $text, public int $id = 0) {}
}
