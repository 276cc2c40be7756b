<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** Which end of all rows a rate is at. */
enum Extreme: string
{
    case Largest = 'largest';
    case Smallest = 'smallest';
}
