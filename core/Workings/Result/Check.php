<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** A statement about the numbers that holds or does not. */
final readonly class Check
{
    public function __construct(public string $id, public bool $holds, public string $says) {}

    /** @return array{id: string, holds: bool, says: string} */
    public function toArray(): array
    {
        return ['id' => $this->id, 'holds' => $this->holds, 'says' => $this->says];
    }
}
