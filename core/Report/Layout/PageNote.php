<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

/** A note in the margin of a page. */
final readonly class PageNote
{
    /** @param int $id of the note in its dataset; nought where figures are of files alone */
    public function __construct(public int $number, public string $text, public int $id, public string $block) {}
}
