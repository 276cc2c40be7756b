<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

/** A row of the workings as the oracle has it. */
final readonly class ExpectedRow
{
    /** @param bool $takesAway whether the row is of lines alone that take away, so that less is better */
    public function __construct(
        public string $key,
        public string $role,
        public int $depth,
        public bool $takesAway,
        public Numbers $numbers,
    ) {}

    public function inPanel(string $panel): self
    {
        return new self("$panel/$this->key", $this->role, $this->depth, $this->takesAway, $this->numbers);
    }
}
