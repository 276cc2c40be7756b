<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Merging;

/** Two changes of a document in one. */
final readonly class MergedReport
{
    /**
     * @param array<string, mixed> $document
     * @param list<string> $conflicts paths of what both changed, each in its own way
     */
    public function __construct(public array $document, public array $conflicts) {}
}
