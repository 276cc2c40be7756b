<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

use KeenMargin\Core\Report\Block\Block;

/** Blocks that share the width of a page. */
final readonly class PageRow
{
    public const MOST_BLOCKS = 4;

    /** @param list<Block> $blocks from left to right */
    public function __construct(public string $id, public array $blocks) {}
}
