<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** Why one row cannot be taken. Rows are counted as in the file, the header included. */
final readonly class Refusal
{
    public function __construct(public int $row, public string $column, public string $reason) {}

    public function sentence(): string
    {
        return "Row {$this->row}: {$this->reason}";
    }
}
