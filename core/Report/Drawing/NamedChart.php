<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

/** A chart that is kept under a name. */
final readonly class NamedChart
{
    /**
     * @param string $dataset as reports name it
     * @param array<string, mixed> $recipe
     */
    public function __construct(public string $name, public string $dataset, public array $recipe) {}
}
