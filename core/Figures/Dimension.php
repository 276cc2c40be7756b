<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** A breakdown: a way to split a measure, with its members in the order in which they came. */
final readonly class Dimension
{
    /** @param list<string> $members */
    public function __construct(public string $name, public array $members)
    {
    }
}
