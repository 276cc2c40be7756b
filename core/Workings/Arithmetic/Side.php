<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

/** The two sides of a comparison. */
enum Side: string
{
    case Shown = 'shown';
    case Reference = 'reference';
}
