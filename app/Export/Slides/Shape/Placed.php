<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/** What stands on a slide, and which block of the report, or which page, it belongs to. */
final readonly class Placed
{
    public function __construct(public string $block, public Node $node) {}
}
