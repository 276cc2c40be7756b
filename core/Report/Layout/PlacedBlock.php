<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Scene\Mark;

/** A block where it stands on its page. */
final readonly class PlacedBlock
{
    /**
     * @param string $row id of its row
     * @param ?Drawing $drawing of a chart; null: it is none, or cannot be drawn
     * @param float $scale points of the page for a point of the chart
     * @param list<Mark> $marks of the page: of what is no chart, and what a chart cannot follow
     * @param list<PlacedText> $texts what lines among these marks are broken from
     * @param ?string $trouble why a chart cannot be drawn; null: it can, or it is none
     * @param list<string> $cannot what of its page a chart cannot follow
     * @param string $name of a chart that is kept under one; blank: it is not
     */
    public function __construct(
        public Block $block,
        public string $row,
        public float $left,
        public float $top,
        public float $width,
        public float $height,
        public ?Drawing $drawing,
        public float $scale,
        public array $marks,
        public array $texts,
        public ?string $trouble,
        public array $cannot,
        public string $name,
    ) {}
}
