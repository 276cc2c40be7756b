<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/** In which points the places within a group are told: a point of the slide is scale × point + offset. */
final readonly class Space
{
    public function __construct(
        public float $across = 1.0,
        public float $down = 1.0,
        public float $right = 0.0,
        public float $below = 0.0,
    ) {}

    /**
     * That which turns one frame into another.
     *
     * @param SlideFrame $from without any width or height it is only moved
     */
    public static function between(SlideFrame $from, SlideFrame $to): self
    {
        $across = $from->width > 0.0 && $to->width > 0.0 ? $to->width / $from->width : 1.0;
        $down = $from->height > 0.0 && $to->height > 0.0 ? $to->height / $from->height : 1.0;

        return new self($across, $down, $to->left - $across * $from->left, $to->top - $down * $from->top);
    }

    /** That of a group in a group of this one. */
    public function inside(self $inner): self
    {
        return new self(
            $this->across * $inner->across,
            $this->down * $inner->down,
            $this->across * $inner->right + $this->right,
            $this->down * $inner->below + $this->below,
        );
    }

    /** Where a frame of the group is on the slide. */
    public function onSlide(SlideFrame $frame): SlideFrame
    {
        return new SlideFrame(
            $this->across * $frame->left + $this->right,
            $this->down * $frame->top + $this->below,
            $this->across * $frame->width,
            $this->down * $frame->height,
        );
    }

    /** Where a frame of the slide is in the group. */
    public function within(SlideFrame $frame): SlideFrame
    {
        return new SlideFrame(
            ($frame->left - $this->right) / $this->across,
            ($frame->top - $this->below) / $this->down,
            $frame->width / $this->across,
            $frame->height / $this->down,
        );
    }
}
