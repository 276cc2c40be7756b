<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document\Shape;

/** A key that the page offers as a switch. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Toggle
{
    /** @param ?string $overTime its words where the rows of the chart are periods; null: the same */
    public function __construct(public string $text, public ?string $overTime = null) {}
}
