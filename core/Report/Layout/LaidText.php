<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Scene\Mark;

/** A text in lines. */
final readonly class LaidText
{
    /**
     * @param list<Mark> $marks
     * @param list<PlacedText> $texts what its lines are broken from
     */
    public function __construct(public array $marks, public float $height, public array $texts = []) {}
}
