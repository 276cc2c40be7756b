<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document;

/** A value in a JSON document that cannot be taken: where it stands, and what would be accepted. */
final class NotAccepted extends \InvalidArgumentException
{
    public function __construct(public readonly string $path, public readonly string $reason)
    {
        parent::__construct('' === $path ? $reason : "$path: $reason");
    }

    /** The same of a document that stands within another one. */
    public function within(string $path): self
    {
        return new self('' === $this->path ? $path : "$path.$this->path", $this->reason);
    }
}
