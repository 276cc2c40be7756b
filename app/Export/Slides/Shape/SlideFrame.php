<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Scene\Box;

/** Where a shape is on its slide, in points from the top left. */
final readonly class SlideFrame
{
    public function __construct(public float $left, public float $top, public float $width, public float $height) {}

    public static function ofBox(Box $box): self
    {
        return new self($box->left, $box->top, $box->right - $box->left, $box->bottom - $box->top);
    }

    /**
     * The smallest one around all of them.
     *
     * @param non-empty-list<self> $frames
     */
    public static function around(array $frames): self
    {
        $left = min(array_map(static fn (self $one): float => $one->left, $frames));
        $top = min(array_map(static fn (self $one): float => $one->top, $frames));
        $right = max(array_map(static fn (self $one): float => $one->left + $one->width, $frames));
        $bottom = max(array_map(static fn (self $one): float => $one->top + $one->height, $frames));

        return new self($left, $top, $right - $left, $bottom - $top);
    }

    public function area(): float
    {
        return $this->width * $this->height;
    }

    public function moved(float $right, float $down): self
    {
        return new self($this->left + $right, $this->top + $down, $this->width, $this->height);
    }

    public function scaled(float $by): self
    {
        return new self($by * $this->left, $by * $this->top, $by * $this->width, $by * $this->height);
    }

    /** Whether both are the same but for so many points at each edge. */
    public function isNear(self $other, float $tolerance): bool
    {
        return abs($this->left - $other->left) <= $tolerance
            && abs($this->top - $other->top) <= $tolerance
            && abs($this->left + $this->width - $other->left - $other->width) <= $tolerance
            && abs($this->top + $this->height - $other->top - $other->height) <= $tolerance;
    }
}
