<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/** What the group of a row is called, and what it says. */
final readonly class RowName
{
    public function __construct(public string $brief, public string $whole) {}
}
