<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Series\FactTable;

/** What a file gave: its figures, and how they came about. */
final readonly class ReadFigures
{
    /**
     * @param int $rows below the header
     * @param int $without rows without any amount, such as notes below the table
     */
    public function __construct(public FactTable $table, public int $rows, public int $without) {}

    public function named(string $name, string $organisation): self
    {
        return new self($this->table->named($name, $organisation), $this->rows, $this->without);
    }
}
