<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

final readonly class Box
{
    public function __construct(public float $left, public float $top, public float $right, public float $bottom) {}

    public function overlaps(self $other, float $gap = 0.0): bool
    {
        return $this->left < $other->right + $gap
            && $other->left < $this->right + $gap
            && $this->top < $other->bottom
            && $other->top < $this->bottom;
    }

    /** The smallest box around both. */
    public function with(self $other): self
    {
        return new self(
            min($this->left, $other->left),
            min($this->top, $other->top),
            max($this->right, $other->right),
            max($this->bottom, $other->bottom),
        );
    }

    public function isWithin(self $outer): bool
    {
        return $this->left >= $outer->left
            && $this->right <= $outer->right
            && $this->top >= $outer->top
            && $this->bottom <= $outer->bottom;
    }
}
