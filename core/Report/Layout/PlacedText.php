<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Report\Text\Paragraph;

/** Paragraphs where they stand: how wide they may be, and how they are set. */
final readonly class PlacedText
{
    /**
     * @param list<Paragraph> $paragraphs
     * @param float $left in points of the page or block, as all lengths here
     * @param float $size of the type
     * @param float $line height of a line
     * @param 400|500 $weight of what is not emphasised
     * @param float $between what is left between paragraphs
     */
    public function __construct(
        public array $paragraphs,
        public float $left,
        public float $top,
        public float $width,
        public float $size,
        public float $line,
        public int $weight = 400,
        public Ink $ink = Ink::Ink,
        public float $between = 0.0,
    ) {}

    public function moved(float $right, float $down): self
    {
        return With::of($this, ['left' => $this->left + $right, 'top' => $this->top + $down]);
    }

    /** The same in letters of another size, on lines as high. */
    public function sized(float $size): self
    {
        return With::of($this, ['size' => $size]);
    }
}
