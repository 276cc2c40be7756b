<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

/** Which sides of a comparison a finest period has. */
enum ComparedSide
{
    /** both cover it: it is compared */
    case Both;
    /** only what is shown has a figure of it: it is left out */
    case ShownOnly;
    /** only the reference has a figure of it: it is left out */
    case ReferenceOnly;
    /** neither has one */
    case Neither;
}
