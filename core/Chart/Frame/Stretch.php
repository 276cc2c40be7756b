<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

/** How long lengths are drawn: by a factor of what is usual, but no longer than other charts leave. */
final readonly class Stretch
{
    /** @param array<string, float> $mostPerUnit points that a unit may have at most, by scale; none: any */
    public function __construct(public float $factor = 1.0, public array $mostPerUnit = []) {}
}
