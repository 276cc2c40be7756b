<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

/** A number and how long it is drawn. */
final readonly class DrawnLength
{
    /**
     * @param float $size of the number, without its sign
     * @param float $points its mark's length
     */
    public function __construct(public float $size, public float $points) {}

    public function minus(self $other): self
    {
        return new self(abs($this->size - $other->size), abs($this->points - $other->points));
    }
}
