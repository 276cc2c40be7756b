<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Scene\Mark;

/** A text in lines. */
final readonly class LaidText
{
    /** @param list<Mark> $marks */
    public function __construct(public array $marks, public float $height)
    {
    }
}
