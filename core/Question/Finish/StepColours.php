<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

/** What the colours of a waterfall's steps tell. */
enum StepColours: string
{
    /** whether a step is for the better or for the worse */
    case Effect = 'effect';
    /** whether it goes up or down */
    case Sign = 'sign';
}
