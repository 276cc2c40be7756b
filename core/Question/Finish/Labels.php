<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

/** Which values of a chart bear a label. */
enum Labels: string
{
    /** as many as there is room for */
    case All = 'all';
    case Extremes = 'extremes';
    case None = 'none';
}
