<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Block;

/** What stands on a page: a chart, key figures, a text. */
interface Block
{
    public const WIDEST = 3;

    /** Within the report. */
    public function id(): string;

    /** Parts of its row's width, from 1 to 3. */
    public function width(): int;

    /** @return list<string> names or ids of the datasets that it tells itself */
    public function datasets(): array;

    /** Whether there is nothing in it yet. */
    public function isEmpty(): bool;
}
