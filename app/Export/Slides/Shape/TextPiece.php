<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Notation\Ink;

/** A piece of a text that looks the same throughout. */
final readonly class TextPiece
{
    /**
     * @param float $size in points
     * @param 400|500|600 $weight 500 is the serif
     * @param bool $isNumber whether it is a number of the workings within a sentence
     */
    public function __construct(
        public string $text,
        public float $size,
        public Ink $ink = Ink::Ink,
        public int $weight = 400,
        public bool $isNumber = false,
    ) {}
}
