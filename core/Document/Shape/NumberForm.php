<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document\Shape;

/** Which decimals a key accepts. */
enum NumberForm
{
    case Any;
    /** above zero */
    case Percentage;
}
