<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Notation\Ink;

/** One shape: its outline, its colours, its text. */
final readonly class SlideShape implements Node
{
    /**
     * @param string $key by which it is found again, unique within its block: `k7f2q1`
     * @param string $name as lists of shapes show it
     * @param ?Ink $fill null: none
     * @param ?Ink $stroke null: none
     * @param string $colours in which inks are drawn: `effect`, `greys`
     * @param float $thickness of the stroke in points
     * @param list<float> $dash strokes and gaps in turn, in points; none of a whole line
     * @param ?TextBody $text null: none
     * @param ?Placeholder $placeholder null: it is none
     * @param bool $inherits whether its placeholder says where it is and how its text is set
     * @param ?SlideFrame $room of the area of a block: where its page has it; null: it is no such area
     */
    public function __construct(
        public string $key,
        public string $name,
        public SlideFrame $frame,
        public Outline $outline,
        public ?Ink $fill = null,
        public ?Ink $stroke = null,
        public string $colours = 'effect',
        public float $thickness = 1.0,
        public array $dash = [],
        public ?TextBody $text = null,
        public ?Placeholder $placeholder = null,
        public ?SlideFrame $room = null,
        public bool $inherits = false,
    ) {}

    /**
     * Where a block is: nothing that is seen, but it is moved and made smaller with the block.
     *
     * @param SlideFrame $room where its page has it
     */
    public static function area(SlideFrame $frame, SlideFrame $room): self
    {
        return new self('area', 'area', $frame, Outline::rectangle(), room: $room);
    }

    public function frame(): SlideFrame
    {
        return $this->frame;
    }
}
