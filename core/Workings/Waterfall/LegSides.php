<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

/** Both sides of a comparison, of the same periods or of periods that correspond to one another. */
final readonly class LegSides
{
    public function __construct(public BridgeSide $first, public BridgeSide $second) {}
}
