<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document\Shape;

/** A key that the page offers as a choice of a few values, side by side. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Choice
{
    /**
     * @param string $label before the choices
     * @param array<int|string, string> $words the values that are offered, with their words; `''`: the key is left out
     */
    public function __construct(public string $label, public array $words) {}
}
