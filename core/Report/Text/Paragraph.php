<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Text;

/** A paragraph, or an entry of a list. */
final readonly class Paragraph
{
    /** @param list<TextRun> $runs */
    public function __construct(public array $runs, public bool $isEntry = false) {}
}
