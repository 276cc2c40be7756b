<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;

/** Ids of the pages, rows, blocks and key figures of one document: each once; what has none gets one. */
final class Ids
{
    /** @var array<string, true> */
    private array $taken = [];
    private int $count = 0;

    /**
     * @param string $prefix of an id that is made
     *
     * @throws NotAccepted
     */
    public function of(Given $given, string $prefix): string
    {
        $told = $given->maybe('id');
        $id = $told?->string(40) ?? $this->next($prefix);
        if (null !== $told && 1 !== preg_match('/^[A-Za-z0-9_-]{1,40}$/D', $id)) {
            throw $told->refuse('letters, digits, - and _');
        }
        if (null !== $told && isset($this->taken[$id])) {
            throw new NotAccepted($told->path, "The id \"$id\" stands in this report twice.");
        }
        $this->taken[$id] = true;

        return $id;
    }

    /** One that nothing has yet. */
    public function next(string $prefix): string
    {
        do {
            $id = $prefix.'-'.++$this->count;
        } while (isset($this->taken[$id]));
        $this->taken[$id] = true;

        return $id;
    }
}
